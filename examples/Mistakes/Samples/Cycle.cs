using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV201: the pilot wants a boat, and the boat a pilot.</summary>
public static class Cycle
{
    [CheckedWiring("JV201")]
    public static Wiring Wiring =>
    [
        Singleton.Of<Pilot>(),
        Singleton.Of<PilotBoat>(),
    ];

    private sealed class Pilot(PilotBoat boat);

    private sealed class PilotBoat(Pilot pilot);
}
