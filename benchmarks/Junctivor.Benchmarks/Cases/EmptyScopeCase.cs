using Junctivor.Benchmarks.Services;

namespace Junctivor.Benchmarks.Cases;

/// <summary>A scope in which nothing is created.</summary>
internal sealed class EmptyScopeCase : Case
{
    private readonly Container _container = new Wiring { Scoped.Of<Session>() }.Build();

    public override string Name => "empty-scope";

    public override double Limit => 1.5;

    public override int MoreBytes => 16;

    public override object? ByHand()
    {
        using HandScope scope = new();
        Hold(scope);
        return null;
    }

    public override object? Wired()
    {
        using Scope scope = _container.StartScope();
        Hold(scope);
        return null;
    }
}
