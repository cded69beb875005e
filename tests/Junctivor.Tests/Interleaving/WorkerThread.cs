using System.Collections.Concurrent;
using System.Diagnostics.CodeAnalysis;

namespace Junctivor.Tests.Interleaving;

/// <summary>A thread that runs one piece of work after another. A hundred thousand orders would otherwise start several threads
/// each.</summary>
[SuppressMessage("Design", "CA1001", Justification = "It lives as long as the process, and its semaphore has nothing to dispose.")]
internal sealed class WorkerThread
{
    private static readonly ConcurrentBag<WorkerThread> Idle = [];

    private readonly SemaphoreSlim _begun = new(0);
    private Action? _work;

    private WorkerThread() => new Thread(RunAll) { IsBackground = true }.Start();

    /// <summary>Runs work on a thread of its own. A thread whose work never ends is not used again.</summary>
    public static void Run(Action work)
    {
        WorkerThread thread = Idle.TryTake(out WorkerThread? idle) ? idle : new WorkerThread();
        thread._work = work;
        thread._begun.Release();
    }

    private void RunAll()
    {
        while (true)
        {
            _begun.Wait();
            _work!();
            Idle.Add(this);
        }
    }
}
