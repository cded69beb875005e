using Junctivor.Plans;

namespace Junctivor.Runtime;

/// <summary>Says that a thread is making a shared instance; others wait for it here.</summary>
internal sealed class Claim(Plan plan)
{
    private readonly object _gate = new();
    private volatile bool _isOver;

    public Plan Plan { get; } = plan;

    public int OwnerThread { get; } = Environment.CurrentManagedThreadId;

    public bool IsOver => _isOver;

    public bool IsMine => OwnerThread == Environment.CurrentManagedThreadId;

    /// <summary>Lets the others go on: they find the instance, or nothing and try themselves.</summary>
    public void End()
    {
        lock (_gate)
        {
            _isOver = true;
            Monitor.PulseAll(_gate);
        }
    }

    public void Wait()
    {
        lock (_gate)
        {
            while (!_isOver)
            {
                Monitor.Wait(_gate);
            }
        }
    }
}
