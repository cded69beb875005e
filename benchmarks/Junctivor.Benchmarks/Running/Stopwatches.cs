using System.Diagnostics;
using Junctivor.Benchmarks.Cases;

namespace Junctivor.Benchmarks.Running;

/// <summary>Measures a case and its twin in turns, so that whatever else the machine does meets both; the best round of each counts.</summary>
internal static class Stopwatches
{
    private const int Rounds = 25;
    private static readonly TimeSpan WarmUp = TimeSpan.FromMilliseconds(400);
    private static readonly TimeSpan Round = TimeSpan.FromMilliseconds(12);

    /// <summary>What was made last: so that the compiler does not leave the making out.</summary>
    private static volatile object? Kept;

    public static Measured Measure(Case one)
    {
        int calls = Math.Max(1, Math.Min(CallsIn(one.ByHand), CallsIn(one.Wired)));
        TimeSpan byHand = TimeSpan.MaxValue;
        TimeSpan wired = TimeSpan.MaxValue;
        for (int round = 0; round < Rounds; round++)
        {
            byHand = Min(byHand, TimeOf(one.ByHand, calls));
            wired = Min(wired, TimeOf(one.Wired, calls));
        }

        return new Measured(one, wired / byHand, BytesOf(one.Wired, one.Times) - BytesOf(one.ByHand, one.Times));
    }

    /// <summary>Warms up until the code is compiled as well as it will be, and says how many calls make a round.</summary>
    private static int CallsIn(Func<object?> work)
    {
        long calls = 0;
        long started = Stopwatch.GetTimestamp();
        while (Stopwatch.GetElapsedTime(started) < WarmUp)
        {
            Kept = work();
            calls++;
        }

        return (int)(calls * (Round / WarmUp));
    }

    private static TimeSpan TimeOf(Func<object?> work, int calls)
    {
        long started = Stopwatch.GetTimestamp();
        for (int call = 0; call < calls; call++)
        {
            Kept = work();
        }

        return Stopwatch.GetElapsedTime(started);
    }

    private static double BytesOf(Func<object?> work, int times)
    {
        const int Calls = 100;
        work();
        long before = GC.GetAllocatedBytesForCurrentThread();
        for (int call = 0; call < Calls; call++)
        {
            work();
        }

        return (GC.GetAllocatedBytesForCurrentThread() - before) / (double)(Calls * times);
    }

    private static TimeSpan Min(TimeSpan one, TimeSpan other) => one < other ? one : other;
}
