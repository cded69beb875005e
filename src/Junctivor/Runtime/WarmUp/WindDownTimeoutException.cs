using System.Globalization;

namespace Junctivor;

/// <summary>Thrown where something did not wind down within the limit. It is left to itself, with its token cancelled.</summary>
public sealed class WindDownTimeoutException : TimeoutException
{
    internal WindDownTimeoutException(TimeSpan limit, IReadOnlyList<string> unended, IReadOnlyList<string> waiting, IReadOnlyList<Exception> failures)
        : base(MessageFor(limit, unended, waiting), failures.Count == 0 ? null : new AggregateException(failures))
    {
        Unended = unended;
        Waiting = waiting;
    }

    /// <summary>What had begun to wind down, and did not end.</summary>
    public IReadOnlyList<string> Unended { get; }

    /// <summary>What did not begin, as something that needs it did not end.</summary>
    public IReadOnlyList<string> Waiting { get; }

    private static string MessageFor(TimeSpan limit, IReadOnlyList<string> unended, IReadOnlyList<string> waiting)
    {
        string waited = waiting.Count == 0 ? "" : $" {string.Join(", ", waiting)} did not begin, waiting for that.";
        return string.Create(
            CultureInfo.InvariantCulture,
            $"{string.Join(", ", unended)} did not wind down within {limit.TotalSeconds:0.###} s.{waited} Give it a longer limit, or let its WindDown end when its token is cancelled.");
    }
}
