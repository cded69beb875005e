using System.Globalization;

namespace Junctivor;

/// <summary>
/// Thrown when a thread has waited for a shared instance, which another thread creates, for longer than
/// <see cref="BuildOptions.ConstructionTimeout"/>. Usually its constructor waits for the waiting thread. The other thread continues.
/// </summary>
public sealed class ConstructionTimeoutException : JunctivorException
{
    internal ConstructionTimeoutException(string service, TimeSpan limit, IReadOnlyList<string> path)
        : base(string.Create(CultureInfo.InvariantCulture, $"""
            {service} was not ready after {limit.TotalSeconds:0.###} s: another thread is creating it.{(path.Count < 2 ? "" : $" It is required by {string.Join(", which is required by ", path.Reverse().Skip(1))}.")}
              If its constructor or factory waits for this thread, or for a task that resolves {service}, this is a deadlock.
              Fix: take as a parameter what the task resolves,
               or: do the slow work in a WarmUp,
               or: increase BuildOptions.ConstructionTimeout, if it is only slow.
            """))
    {
        Service = service;
        Limit = limit;
    }

    /// <summary>The awaited class; for a factory, the service.</summary>
    public string Service { get; }

    /// <summary>How long the thread waited.</summary>
    public TimeSpan Limit { get; }
}
