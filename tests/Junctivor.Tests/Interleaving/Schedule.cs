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
    private readonly List<Runner> _ready = [];
    private readonly Decisions _decisions;
    private int _preemptions;

    private Schedule(IReadOnlyList<Action> threads, Decisions decisions)
    {
        _runners = [.. threads.Select(work => new Runner(this, work))];
        _decisions = decisions;
    }

    /// <summary>Runs them in one order.</summary>
    /// <exception cref="InvalidOperationException">A thread threw, or all wait for each other.</exception>
    public static void Run(IReadOnlyList<Action> threads, Decisions decisions)
    {
        Schedule schedule = new(threads, decisions);
        foreach (Runner runner in schedule._runners)
        {
            WorkerThread.Run(runner.Run);
        }

        schedule.Next(null).Turn.Release();
        foreach (Runner runner in schedule._runners)
        {
            if (!runner.Done.Wait(Stuck))
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
            WakeAll();
            if (_preemptions >= _decisions.MostPreemptions)
            {
                // By far the most points are passed after the last preemption: then there is nothing to decide.
                return;
            }
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
        List<Runner> ready = Ready();
        if (ready.Count == 0)
        {
            WakeAll();
            Ready();
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

    private List<Runner> Ready()
    {
        _ready.Clear();
        foreach (Runner runner in _runners)
        {
            if (!runner.HasEnded && !runner.IsWaiting)
            {
                _ready.Add(runner);
            }
        }

        return _ready;
    }

    private void WakeAll()
    {
        foreach (Runner runner in _runners)
        {
            runner.IsWaiting = false;
        }
    }

    private const int MostRounds = 10_000;
    private int _rounds;

    private sealed class Runner(Schedule schedule, Action work)
    {
        public Schedule Schedule => schedule;

        public SemaphoreSlim Turn { get; } = new(0);

        public SemaphoreSlim Done { get; } = new(0);

        public Exception? Failure { get; private set; }

        public bool IsWaiting { get; set; }

        public bool HasEnded { get; private set; }

        public void Run()
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
            Schedule.WakeAll();
            if (Schedule._runners.Exists(runner => !runner.HasEnded))
            {
                Schedule.Next(null).Turn.Release();
            }

            Done.Release();
        }
    }
}
