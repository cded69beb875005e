namespace HowTo;

/// <summary>A test can observe a container: it is told what is created and ended, in order, and where it belongs.</summary>
internal static class Observing
{
    public static void Run()
    {
        Wiring wiring =
        [
            Singleton.Of<TideTable>(),
            Scoped.Of<Ledger>(),
            Transient.Of<Planner>(),
        ];
        using Container container = wiring.Build();

        using (container.Observe(happened => WriteLine($"  {happened}")))
        {
            WriteLine("first request");
            PlanIn(container);
            WriteLine("second request: the table is there already");
            PlanIn(container);
        }

        PlanIn(container);
        WriteLine("The third was not observed.");
    }

    private static void PlanIn(Container container)
    {
        using Scope request = container.StartScope();
        request.Resolve<Planner>().Plan();
    }

    private sealed class TideTable
    {
        public double Low => 0.3;
    }

    private sealed class Ledger : IDisposable
    {
        public int Entries { get; set; }

        public void Dispose()
        {
        }
    }

    private sealed class Planner(TideTable tides, Ledger ledger)
    {
        public double Plan() => tides.Low + ledger.Entries++;
    }
}
