namespace HowTo;

/// <summary>A method can be called with its parameters wired; what it throws comes through as it is.</summary>
internal static class Calling
{
    public static void Run()
    {
        Wiring wiring = [Singleton.Of<Quays>(), Scoped.Of<BerthLedger>()];
        using Container container = wiring.Build();
        using Scope scope = container.StartScope();

        scope.Invoke((BerthLedger ledger) => WriteLine($"Stocktaking: {ledger.Count} bookings"));
        int free = scope.Invoke((Quays quays, BerthLedger ledger) => quays.Count - ledger.Count);
        WriteLine($"{free} berths are free.");

        try
        {
            container.Invoke((BerthLedger ledger) => { });
        }
        catch (ResolveException fault)
        {
            WriteLine();
            WriteLine(fault.Report.Errors[0]);
        }
    }

    private sealed class Quays
    {
        public int Count => 12;
    }

    private sealed class BerthLedger
    {
        public int Count => 5;
    }
}
