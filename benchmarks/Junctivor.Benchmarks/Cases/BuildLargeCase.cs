using Junctivor.Benchmarks.Services;

namespace Junctivor.Benchmarks.Cases;

/// <summary>Checking and building ten thousand services; against one thousand.</summary>
internal sealed class BuildLargeCase : Case
{
    private IReadOnlyList<Type> _few = [];
    private IReadOnlyList<Type> _many = [];

    public override string Name => "build-10000";

    public override string Against => "a tenth of them";

    public override double Limit => 11;

    public override int MoreBytes => 0;

    /// <summary>The bytes are to grow as the number, too.</summary>
    public override int BytesByHand => 11;

    public override bool IsCold => true;

    public static Container CheckAndBuild(IEnumerable<Type> classes)
    {
        Wiring wiring = [.. classes.Select(each => Transient.Of(each))];
        Hold(wiring.Check());
        return wiring.Build();
    }

    public override void Prepare()
    {
        _few = EmittedClasses.Emit(1_000, 3);
        _many = EmittedClasses.Emit(10_000, 3);
    }

    public override object? ByHand()
    {
        Hold(CheckAndBuild(_few));
        return null;
    }

    public override object? Wired()
    {
        Hold(CheckAndBuild(_many));
        return null;
    }
}
