using System.Diagnostics;
using System.Diagnostics.CodeAnalysis;
using System.Numerics;
using System.Runtime.CompilerServices;
using Junctivor.Graph;

namespace Junctivor.Plans;

/// <summary>Has code made of plans that are asked for again, one after another and beside the work. Safe for use by several threads.</summary>
/// <param name="compilation">When.</param>
internal sealed class CodeQueue(PlanCompilation compilation)
{
    /// <summary>How often it is tried: what is missing the first time, as a constructor threw, may be there later.</summary>
    private const int LastTry = 1024;

    private readonly Lock _gate = new();
    private readonly Queue<Plan> _waiting = [];
    private bool _isWorking;

    /// <summary>Counts that something is about to be made step by step.</summary>
    public void Count(Plan plan)
    {
        if (compilation == PlanCompilation.InBackground && CanCompile(plan) && IsWorthATry(plan.CountRun()))
        {
            Add(plan);
        }
    }

    /// <summary>What is made once is mostly made never again.</summary>
    private static bool IsWorthATry(int runs) => runs is > 1 and <= LastTry && BitOperations.IsPow2(runs);

    /// <summary>Something was made step by step.</summary>
    public void Made(Plan plan)
    {
        if (compilation == PlanCompilation.AtOnce && CanCompile(plan) && plan.CountRun() == 1)
        {
            Compile(plan);
        }
    }

    private static bool CanCompile(Plan plan) => RuntimeFeature.IsDynamicCodeSupported && plan.Level != Level.Singleton;

    private static void Compile(Plan plan)
    {
        if (RuntimeFeature.IsDynamicCodeSupported)
        {
            new CodeCompiler(plan).Run();
        }
    }

    private void Add(Plan plan)
    {
        lock (_gate)
        {
            _waiting.Enqueue(plan);
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
        while (TryTake(out Plan? plan))
        {
            try
            {
                Compile(plan);
            }
#pragma warning disable CA1031 // Whatever is wrong with it, the plan is made step by step as before; nobody waits here who could be told.
            catch (Exception failure)
#pragma warning restore CA1031
            {
                Debug.Fail($"No code could be made of {plan.Node}: {failure}");
            }
        }
    }

    private bool TryTake([NotNullWhen(true)] out Plan? plan)
    {
        lock (_gate)
        {
            return _isWorking = _waiting.TryDequeue(out plan);
        }
    }
}
