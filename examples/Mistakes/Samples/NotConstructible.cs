using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV102: an interface is registered, and not the class behind it.</summary>
public static class NotConstructible
{
    [CheckedWiring("JV102")]
    public static Wiring Wiring =>
    [
        Scoped.Of<IBerthLedger>(),
    ];

    private interface IBerthLedger;

    private sealed class PaperLedger : IBerthLedger;
}
