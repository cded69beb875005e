using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV503: a branch stops the clock, and the almanac of its parent goes on with the old one.</summary>
public static class BranchNotSeen
{
    public static Container Branch(Container office) => office.Branch([Singleton.Of<IClock, StoppedClock>().Replacing()]);

    public static Wiring Office =>
    [
        Singleton.Of<IClock, SystemClock>(),
        Singleton.Of<Almanac>(),
    ];

    private interface IClock;

    private sealed class SystemClock : IClock;

    private sealed class StoppedClock : IClock;

    private sealed class Almanac(IClock clock);
}
