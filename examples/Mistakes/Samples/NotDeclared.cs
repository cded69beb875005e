using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV107: the caller is supplied as a class, and declared as an interface.</summary>
public static class NotDeclared
{
    public static Scope Start()
    {
        Wiring wiring = [Scoped.Incoming<ICaller>()];
        using Container container = wiring.Build();
        return container.StartScope(Incoming.Value(new Caller("Mira")));
    }

    private interface ICaller;

    private sealed record Caller(string Name) : ICaller;
}
