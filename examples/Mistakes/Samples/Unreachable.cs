using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV501: the desk is what the office serves, and the old planner is of no use to it.</summary>
public static class Unreachable
{
    [CheckedWiring("JV501")]
    public static Wiring Wiring =>
    [
        Scoped.Of<BookingDesk>().ResolvedDirectly(),
        Transient.Of<OldPlanner>(),
    ];

    private sealed class BookingDesk;

    private sealed class OldPlanner;
}
