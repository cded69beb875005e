namespace Frameworks.Circuits;

/// <summary>Blazor: scoped services belong to a circuit, and singletons to all.</summary>
public static class CircuitWiring
{
    public static Wiring Wiring => [Singleton.Of<VesselTally>(), Scoped.Of<ClerkList>()];
}
