using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV303: every receipt is to have a time of its own, and the till keeps one stamp for ever.</summary>
public static class FrozenTransient
{
    [CheckedWiring("JV303")]
    public static Wiring Wiring =>
    [
        Transient.Of<TimeStamp>(),
        Singleton.Of<Till>(),
    ];

    private sealed class TimeStamp
    {
        public DateTimeOffset At { get; } = DateTimeOffset.Now;
    }

    private sealed class Till(TimeStamp stamp);
}
