namespace HowTo;

/// <summary>Decorators wrap a service wherever it is registered; the first written is innermost.</summary>
internal static class Decorating
{
    public static void Run()
    {
        Wiring wiring =
        [
            Singleton.Of<Journal>(),
            Scoped.Of<IBerthLedger, PaperLedger>(),
            Decorator.Of<IBerthLedger, AuditedLedger>(),                                            // inside
            Decorator.From((IBerthLedger inner) => (IBerthLedger)new ShoutingLedger(inner)),        // outside
        ];
        using Container container = wiring.Build();
        using Scope scope = container.StartScope();

        WriteLine(scope.Resolve<IBerthLedger>().Enter("Heron"));
        WriteLine($"The journal says: {string.Join(", ", container.Resolve<Journal>().Lines)}");
        WriteLine($"One decorator for one ledger: {ReferenceEquals(scope.Resolve<IBerthLedger>(), scope.Resolve<IBerthLedger>())}");
    }

    private interface IBerthLedger
    {
        string Enter(string vessel);
    }

    private sealed class PaperLedger : IBerthLedger
    {
        public string Enter(string vessel) => $"{vessel} is entered";
    }

    private sealed class AuditedLedger(IBerthLedger inner, Journal journal) : IBerthLedger
    {
        public string Enter(string vessel)
        {
            journal.Lines.Add($"somebody entered {vessel}");
            return inner.Enter(vessel);
        }
    }

    private sealed class ShoutingLedger(IBerthLedger inner) : IBerthLedger
    {
        public string Enter(string vessel) => inner.Enter(vessel).ToUpperInvariant();
    }

    private sealed class Journal
    {
        public List<string> Lines { get; } = [];
    }
}
