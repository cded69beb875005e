using System.Reflection;
using Junctivor.Benchmarks.Services;

namespace Junctivor.Benchmarks.Cases;

/// <summary>Checking and building a thousand services of three dependencies each, which nobody has read before.</summary>
internal sealed class BuildCase : Case
{
    private IReadOnlyList<Type> _classes = [];

    public override string Name => "build-1000";

    public override string Against => "bare reading by reflection";

    public override double Limit => 3;

    public override int MoreBytes => int.MaxValue;

    public override bool IsCold => true;

    public override void Prepare() => _classes = EmittedClasses.Emit(1_000, 3);

    public override object? ByHand()
    {
        int length = 0;
        foreach (ParameterInfo parameter in _classes.SelectMany(each => each.GetConstructors())
            .SelectMany(constructor => constructor.GetParameters()))
        {
            length += parameter.Name!.Length + parameter.ParameterType.Name.Length;
        }

        Hold(length);
        return null;
    }

    public override object? Wired()
    {
        Hold(BuildLargeCase.CheckAndBuild(_classes));
        return null;
    }
}
