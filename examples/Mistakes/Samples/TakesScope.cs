using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV502: the desk takes the whole scope, and no check can see what it wants of it.</summary>
public static class TakesScope
{
    [CheckedWiring("JV502")]
    public static Wiring Wiring =>
    [
        Scoped.Of<PaperLedger>(),
        Scoped.Of<BookingDesk>(),
    ];

    private sealed class PaperLedger;

    private sealed class BookingDesk(Scope scope)
    {
        public object Ledger => scope.Resolve<PaperLedger>();
    }
}
