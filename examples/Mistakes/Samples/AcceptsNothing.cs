using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV504: the stamp was taken out of the till, and its acceptance left behind.</summary>
public static class AcceptsNothing
{
    [CheckedWiring("JV504")]
    public static Wiring Wiring =>
    [
        Singleton.Of<Till>().Accept("JV303", reason: "The stamp is set once a day."),
    ];

    private sealed class Till;
}
