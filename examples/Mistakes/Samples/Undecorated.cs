using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV507: the clerk takes the ledger itself, and nothing that the clerk writes is audited.</summary>
public static class Undecorated
{
    [CheckedWiring("JV507")]
    public static Wiring Wiring =>
    [
        Scoped.Of<PaperLedger>().Also<IBerthLedger>(),
        Decorator.Of<IBerthLedger, AuditedLedger>(),
        Scoped.Of<Clerk>(),
    ];

    private interface IBerthLedger
    {
        void Write(string line);
    }

    private sealed class PaperLedger : IBerthLedger
    {
        public void Write(string line)
        {
        }
    }

    private sealed class AuditedLedger(IBerthLedger inner) : IBerthLedger
    {
        public void Write(string line) => inner.Write($"audited: {line}");
    }

    private sealed class Clerk(PaperLedger ledger)
    {
        public void Note(string line) => ledger.Write(line);
    }
}
