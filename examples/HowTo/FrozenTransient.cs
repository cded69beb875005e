namespace HowTo;

/// <summary>A transient in a singleton is created once, and stays. A function gives a fresh one at each call.</summary>
internal static class FrozenTransient
{
    public static void Run()
    {
        Wiring wiring =
        [
            Singleton.Of<Counter>(),
            Transient.Of<TimeStamp>(),
            Singleton.Of<FrozenBell>(),
            Singleton.Of<FreshBell>(),
        ];
        using Container container = wiring.Build();

        FrozenBell frozen = container.Resolve<FrozenBell>();
        FreshBell fresh = container.Resolve<FreshBell>();
        WriteLine($"Holding the transient:     stamp {frozen.Ring()}, then stamp {frozen.Ring()}");
        WriteLine($"Holding a function for it: stamp {fresh.Ring()}, then stamp {fresh.Ring()}");
        WriteLine();
        WriteLine(container.Report.Notes[0]);
    }

    private sealed class Counter
    {
        public int Value { get; set; }
    }

    private sealed class TimeStamp(Counter counter)
    {
        public int Number { get; } = ++counter.Value;
    }

    private sealed class FrozenBell(TimeStamp stamp)
    {
        public int Ring() => stamp.Number;
    }

    private sealed class FreshBell(Func<TimeStamp> stamp)
    {
        public int Ring() => stamp().Number;
    }
}
