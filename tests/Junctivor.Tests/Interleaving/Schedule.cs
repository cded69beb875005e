namespace Junctivor.Tests.Interleaving;

/// <summary>
/// Lets threads run one at a time, and decides at each point that they pass who goes on: so that every order of their steps can be tried,
/// one after the other. Threads that it did not start pass freely.
/// </summary>
public sealed class Schedule
{
    private static readonly TimeSpan Stuck = TimeSpan.FromSeconds(20);

    [ThreadStatic]
    private static Runner? Mine;

    private readonly List<Runner> _runners;
    private readonly Decisions _decisions;
    private int _preemptions;

    private Schedule(IReadOnlyList<Action> threads, Decisions decisions)
    {
        _runners = [.. threads.Select((work, number) => new Runner(this, number, work))];
        _decisions = decisions;
    }

    /// <summary>Runs them in one order.</summary>
    /// <exception cref="InvalidOperationException">A thread threw, or all wait for each other.</exception>
    public static void Run(IReadOnlyList<Action> threads, Decisions decisions)
    {
        Schedule schedule = new(threads, decisions);
        foreach (Runner runner in schedule._runners)
        {
            runner.Thread.Start();
        }

        schedule.Next(null).Turn.Release();
        foreach (Runner runner in schedule._runners)
        {
            if (!runner.Thread.Join(Stuck))
            {
                throw new InvalidOperationException("A thread never ends: it waits for something that no point tells of.");
            }
        }

        if (schedule._runners.Select(runner => runner.Failure).OfType<Exception>().FirstOrDefault() is { } failure)
        {
            throw new InvalidOperationException(failure.ToString(), failure);
        }
    }

    /// <summary>The next step reads or writes what others share.</summary>
    public static void Point()
    {
        if (Mine is { } runner)
        {
            runner.Schedule.Pass(runner, isWaiting: false);
        }
    }

    /// <summary>Nothing can be done before somebody else has taken a step.</summary>
    public static void Wait()
    {
        if (Mine is { } runner)
        {
            runner.Schedule.Pass(runner, isWaiting: true);
        }
        else
        {
            Thread.Yield();
        }
    }

    // What the rewritten library calls instead of what would block the thread that is to take the next step.
    public static void SpinOnce(ref SpinWait spinning) => Wait();

    public static void EnterSpinLock(ref SpinLock gate, ref bool isTaken)
    {
        Point();
        for (gate.TryEnter(ref isTaken); !isTaken; gate.TryEnter(ref isTaken))
        {
            Wait();
        }
    }

    public static Lock.Scope EnterLock(Lock gate)
    {
        Point();
        while (!gate.TryEnter())
        {
            Wait();
        }

        Lock.Scope scope = gate.EnterScope();
        gate.Exit();
        return scope;
    }

    public static void EnterMonitor(object gate, ref bool isTaken)
    {
        Point();
        for (Monitor.TryEnter(gate, ref isTaken); !isTaken; Monitor.TryEnter(gate, ref isTaken))
        {
            Wait();
        }
    }

    public static bool WaitMonitor(object gate, TimeSpan limit)
    {
        Monitor.Exit(gate);
        do
        {
            Wait();
        }
        while (!Monitor.TryEnter(gate));
        return true;
    }

    /// <summary>No barrier is needed where one thread runs at a time.</summary>
    public static void Barrier() => Point();

    private void Pass(Runner runner, bool isWaiting)
    {
        if (!isWaiting)
        {
            _runners.ForEach(each => each.IsWaiting = false);
        }

        runner.IsWaiting = isWaiting;
        Runner next = Next(runner);
        if (next != runner)
        {
            next.Turn.Release();
            runner.Turn.Wait();
        }
    }

    /// <summary>Who goes on: by default whoever did; each other choice where that one could go on is a preemption, of which there are
    /// few.</summary>
    private Runner Next(Runner? last)
    {
        List<Runner> ready = [.. _runners.Where(runner => !runner.HasEnded && !runner.IsWaiting)];
        if (ready.Count == 0)
        {
            _runners.ForEach(runner => runner.IsWaiting = false);
            ready = [.. _runners.Where(runner => !runner.HasEnded)];
            if (++_rounds > MostRounds)
            {
                throw new InvalidOperationException("All threads wait for each other.");
            }
        }

        bool canGoOn = last is not null && ready.Contains(last);
        if (canGoOn)
        {
            ready.Remove(last!);
            ready.Insert(0, last!);
        }

        int choice = canGoOn && _preemptions >= _decisions.MostPreemptions ? 0 : _decisions.Take(ready.Count);
        _preemptions += canGoOn && choice > 0 ? 1 : 0;
        return ready[choice];
    }

    private const int MostRounds = 10_000;
    private int _rounds;

    private sealed class Runner
    {
        public Runner(Schedule schedule, int number, Action work)
        {
            Schedule = schedule;
            Thread = new Thread(() => Run(work)) { IsBackground = true, Name = $"thread {number}" };
        }

        public Schedule Schedule { get; }

        public Thread Thread { get; }

        public SemaphoreSlim Turn { get; } = new(0);

        public Exception? Failure { get; private set; }

        public bool IsWaiting { get; set; }

        public bool HasEnded { get; private set; }

        private void Run(Action work)
        {
            Turn.Wait();
            Mine = this;
            try
            {
                work();
            }
            catch (Exception failure)
            {
                Failure = failure;
            }

            Mine = null;
            HasEnded = true;
            Schedule._runners.ForEach(each => each.IsWaiting = false);
            if (Schedule._runners.Exists(runner => !runner.HasEnded))
            {
                Schedule.Next(null).Turn.Release();
            }
        }
    }
}
