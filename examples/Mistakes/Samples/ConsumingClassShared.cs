using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV306: one log for all wants to be named for each that asks.</summary>
public static class ConsumingClassShared
{
    [CheckedWiring("JV306")]
    public static Wiring Wiring =>
    [
        Singleton.Of<HarbourLog>(),
    ];

    private sealed class HarbourLog(ConsumingClass asking);
}
