using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV203: the rehearsal stands before what it replaces.</summary>
public static class ReplacesNothing
{
    [CheckedWiring("JV203")]
    public static Wiring Wiring =>
    [
        Singleton.Of<IClock, StoppedClock>().Replacing(),
        Singleton.Of<IClock, SystemClock>(),
    ];

    private interface IClock;

    private sealed class SystemClock : IClock;

    private sealed class StoppedClock : IClock;
}
