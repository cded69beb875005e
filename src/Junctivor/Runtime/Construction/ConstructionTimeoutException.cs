using System.Globalization;

namespace Junctivor;

/// <summary>
/// Something shared was waited for that another thread was making, for longer than <see cref="BuildOptions.ConstructionTimeout"/>. Mostly its
/// constructor waits in its turn for what this thread does. What the other thread makes goes on being made.
/// </summary>
public sealed class ConstructionTimeoutException : TimeoutException
{
    internal ConstructionTimeoutException(string service, TimeSpan limit, IReadOnlyList<string> way)
        : base(string.Create(CultureInfo.InvariantCulture, $"""
            {service} was not there after {limit.TotalSeconds:0.###} s: another thread is making it.{(way.Count < 2 ? "" : $" It was wanted for {string.Join(", for ", way.Reverse().Skip(1))}.")}
              If its constructor or factory waits for this thread, or for a task that resolves {service}, that can never end.
              Instead: take what the task resolves as a parameter,
                   or: let it take its time before work begins, in a WarmUp,
                   or: raise BuildOptions.ConstructionTimeout if it is only slow.
            """))
    {
        Service = service;
        Limit = limit;
    }

    /// <summary>The class that was waited for; for a factory, the service.</summary>
    public string Service { get; }

    /// <summary>For how long it was waited for.</summary>
    public TimeSpan Limit { get; }
}
