using System.Diagnostics;
using System.Numerics;
using System.Runtime.CompilerServices;
using Junctivor.Graph;

namespace Junctivor.Runtime;

/// <summary>Has code made from plans that are resolved again, one after another and beside the work. Safe for use by several
/// threads.</summary>
/// <param name="compilation">When.</param>
internal sealed class CodeQueue(PlanCompilation compilation)
{
    /// <summary>How often it is tried: what is missing the first time, such as a singleton that nobody has resolved, may be there
    /// later.</summary>
    private const int LastTry = 1024;

    /// <summary>How many constructors are compiled into code for one container, before everything else is created step by step.</summary>
    private const int MostNodes = 200_000;

    private readonly Lock _gate = new();
    private Queue<Plan>? _plans;
    private Queue<Action>? _others;
    private bool _isWorking;
    private TaskCompletionSource? _idle;
    private int _nodes;

    /// <summary>Completes when nothing is left to compile.</summary>
    public Task Idle
    {
        get
        {
            lock (_gate)
            {
                return _isWorking
                    ? (_idle ??= new TaskCompletionSource(TaskCreationOptions.RunContinuationsAsynchronously)).Task
                    : Task.CompletedTask;
            }
        }
    }

    /// <summary>Something was created step by step, with all that it needs. What threw does not count: its static constructors may not have
    /// run.</summary>
    public void RecordRun(Plan plan)
    {
        if (compilation == PlanCompilation.Never || !CanCompile(plan))
        {
            return;
        }

        int runs = plan.CountRun();
        if (compilation == PlanCompilation.Immediate && runs == 1)
        {
            Compile(plan);
        }
        else if (compilation == PlanCompilation.InBackground && IsWorthATry(runs))
        {
            Enqueue(plan);
        }
    }

    /// <summary>Has something smaller created that calls a constructor faster: behind the plans, of which it may become part.</summary>
    public void Compile(Action work)
    {
        if (!RuntimeFeature.IsDynamicCodeSupported)
        {
            work();
        }
        else if (compilation != PlanCompilation.Never && Interlocked.Increment(ref _nodes) < MostNodes)
        {
            Enqueue(work);
        }
    }

    /// <summary>What is created once is mostly created never again.</summary>
    private static bool IsWorthATry(int runs) => runs is > 1 and <= LastTry && BitOperations.IsPow2(runs);

    private bool CanCompile(Plan plan) =>
        RuntimeFeature.IsDynamicCodeSupported
            && plan.Level != Level.Singleton
            && !plan.IsCodeRefused
            && Volatile.Read(ref _nodes) < MostNodes;

    private void Compile(Plan plan)
    {
        if (!RuntimeFeature.IsDynamicCodeSupported)
        {
            return;
        }

        CodeCompiler compiler = new(plan);
        plan.IsCodeRefused |= !IsDone(compiler.Run);
        Interlocked.Add(ref _nodes, compiler.Nodes);
    }

    /// <summary>Whatever is wrong with the code, it is done without, as before.</summary>
    private static bool IsDone(Action work)
    {
        try
        {
            work();
            return true;
        }
#pragma warning disable CA1031 // Nobody waits here who could be told.
        catch (Exception failure)
#pragma warning restore CA1031
        {
            Debug.Fail($"Compiling a plan failed: {failure}");
            return false;
        }
    }

    private void Enqueue(Plan plan)
    {
        lock (_gate)
        {
            (_plans ??= []).Enqueue(plan);
        }

        Start();
    }

    private void Enqueue(Action work)
    {
        lock (_gate)
        {
            (_others ??= []).Enqueue(work);
        }

        Start();
    }

    private void Start()
    {
        lock (_gate)
        {
            if (_isWorking)
            {
                return;
            }

            _isWorking = true;
        }

        ThreadPool.UnsafeQueueUserWorkItem(static queue => queue.Work(), this, preferLocal: false);
    }

    private void Work()
    {
        while (TryTake(out Plan? plan, out Action? other))
        {
            if (plan is not null)
            {
                Compile(plan);
            }
            else
            {
                IsDone(other!);
            }
        }
    }

    private bool TryTake(out Plan? plan, out Action? other)
    {
        lock (_gate)
        {
            plan = null;
            other = null;
            _isWorking = _plans?.TryDequeue(out plan) == true || _others?.TryDequeue(out other) == true;
            if (!_isWorking)
            {
                _idle?.SetResult();
                _idle = null;
            }

            return _isWorking;
        }
    }
}
