using System.Diagnostics;
using System.Runtime.CompilerServices;
using Junctivor.Benchmarks.Cases;

namespace Junctivor.Benchmarks.Running;

/// <summary>
/// Measures a case and its twin in turns, so that whatever else the machine does meets both; the best round of each counts. What is warm is
/// measured in several processes, one after another: a shared processor is slower for seconds at a time when its other users are busy, and
/// then instructions count for more than memory does.
/// </summary>
internal static class Stopwatches
{
    private const int Rounds = 40;
    private const int FewestColdRounds = 8;
    private const int Processes = 5;

    /// <summary>What is cold is the case's own classes or process; the code that works on them is as warm as in the other cases.</summary>
    private static readonly TimeSpan Cold = TimeSpan.FromSeconds(5);
    private static readonly TimeSpan WarmUp = TimeSpan.FromMilliseconds(300);

    /// <summary>In which the just-in-time compiler comes to what it has put off.</summary>
    private static readonly TimeSpan Pause = TimeSpan.FromMilliseconds(150);
    private static readonly TimeSpan Round = TimeSpan.FromMilliseconds(12);

    /// <summary>What was created last: so that the compiler does not leave the making out.</summary>
    private static volatile object? Kept;

    public static Measured Measure(Case one) => one.IsCold ? MeasureCold(one) : MeasureWarm(one);

    private static Measured MeasureCold(Case one)
    {
        (TimeSpan Time, double Bytes) byHand = (TimeSpan.MaxValue, 0);
        (TimeSpan Time, double Bytes) wired = (TimeSpan.MaxValue, 0);
        long started = Stopwatch.GetTimestamp();
        for (int round = 0; round < FewestColdRounds || Stopwatch.GetElapsedTime(started) < Cold; round++)
        {
            byHand = Better(byHand, Once(one, one.ByHand));
            wired = Better(wired, Once(one, one.Wired));
        }

        return new Measured(one, wired.Time / byHand.Time, wired.Bytes - (one.BytesByHand * byHand.Bytes));

        static (TimeSpan Time, double Bytes) Better((TimeSpan Time, double Bytes) one, (TimeSpan Time, double Bytes) other) =>
            one.Time < other.Time ? one : other;
    }

    private static (TimeSpan Time, double Bytes) Once(Case one, Func<object?> work)
    {
        one.Prepare();
        GC.Collect();
        long before = GC.GetAllocatedBytesForCurrentThread();
        long started = Stopwatch.GetTimestamp();
        Kept = work();
        TimeSpan elapsed = Kept is TimeSpan told ? told : Stopwatch.GetElapsedTime(started);
        return (elapsed, GC.GetAllocatedBytesForCurrentThread() - before);
    }

    private static Measured MeasureWarm(Case one)
    {
        TimeSpan byHand = TimeSpan.MaxValue;
        TimeSpan wired = TimeSpan.MaxValue;
        for (int process = 0; process < Processes; process++)
        {
            (TimeSpan ByHand, TimeSpan Wired) times = OwnProcess.Times(one.Name);
            byHand = Min(byHand, times.ByHand);
            wired = Min(wired, times.Wired);
        }

        one.Prepare();
        return new Measured(one, wired / byHand, BytesOf(one.Wired, one.Times) - BytesOf(one.ByHand, one.Times));
    }

    /// <summary>The times of a million calls of a case and of its twin.</summary>
    public static (TimeSpan ByHand, TimeSpan Wired) Times(Case one)
    {
        const double Million = 1_000_000;
        one.Prepare();
        _ = CallsIn(one.ByHand) + CallsIn(one.Wired);
        Thread.Sleep(Pause);
        int calls = Math.Max(1, Math.Min(CallsIn(one.ByHand), CallsIn(one.Wired)));
        Thread.Sleep(Pause);
        TimeSpan byHand = TimeSpan.MaxValue;
        TimeSpan wired = TimeSpan.MaxValue;
        for (int round = 0; round < Rounds; round++)
        {
            byHand = Min(byHand, TimeOf(one.ByHand, calls));
            wired = Min(wired, TimeOf(one.Wired, calls));
        }

        return (byHand * (Million / calls), wired * (Million / calls));
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

    /// <summary>Compiled at once, and so without a guess at what it will be given: the first case to be measured would be inlined here, and
    /// be measured as something else than those behind it.</summary>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
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
        _ = CallsIn(work);
        Thread.Sleep(Pause);
        long before = GC.GetAllocatedBytesForCurrentThread();
        for (int call = 0; call < Calls; call++)
        {
            work();
        }

        return (GC.GetAllocatedBytesForCurrentThread() - before) / (double)(Calls * times);
    }

    private static TimeSpan Min(TimeSpan one, TimeSpan other) => one < other ? one : other;
}
