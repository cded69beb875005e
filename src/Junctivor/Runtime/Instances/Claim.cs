using System.Diagnostics;

namespace Junctivor.Runtime;

/// <summary>Says that a thread is making a shared instance; others wait for it here.</summary>
internal sealed class Claim(Plan plan)
{
    private volatile bool _isOver;
    private bool _isWaitedFor;

    public Plan Plan { get; } = plan;

    /// <summary>The one before it in <see cref="Claims"/>, which alone knows what stands here.</summary>
    public Claim? Older { get; set; }

    /// <summary>The one behind it in <see cref="Claims"/>.</summary>
    public Claim? Newer { get; set; }

    private object Gate => this;

    /// <summary>The flow of control that creates it: see <see cref="ControlFlow"/>.</summary>
    public int Owner { get; } = ControlFlow.Id;

    public bool IsOver => _isOver;

    public bool IsMine => Owner == ControlFlow.Id;

    /// <summary>Lets the others go on: they find the instance, or nothing and try themselves.</summary>
    public void Complete()
    {
        _isOver = true;
        Interlocked.MemoryBarrier();
        if (_isWaitedFor)
        {
            lock (Gate)
            {
                Monitor.PulseAll(Gate);
            }
        }
    }

    /// <returns>Whether it ended within the limit.</returns>
    public bool Wait(TimeSpan limit)
    {
        long started = Stopwatch.GetTimestamp();
        lock (Gate)
        {
            _isWaitedFor = true;
            Interlocked.MemoryBarrier();
            while (!_isOver)
            {
                TimeSpan left = limit == Timeout.InfiniteTimeSpan ? limit : limit - Stopwatch.GetElapsedTime(started);
                if (limit != Timeout.InfiniteTimeSpan && left <= TimeSpan.Zero)
                {
                    return false;
                }

                Monitor.Wait(Gate, left);
            }
        }

        return true;
    }
}
