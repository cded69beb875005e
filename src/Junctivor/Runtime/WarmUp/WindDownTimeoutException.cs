using System.Globalization;

namespace Junctivor;

/// <summary>Thrown when a wind-down exceeds the limit. Its token is canceled, and it is not awaited further.</summary>
public sealed class WindDownTimeoutException : JunctivorException
{
    internal WindDownTimeoutException(
        TimeSpan limit, IReadOnlyList<string> unended, IReadOnlyList<string> waiting, IReadOnlyList<Exception> failures)
        : base(MessageFor(limit, unended, waiting), failures.Count == 0 ? null : new AggregateException(failures))
    {
        Unended = unended;
        Waiting = waiting;
    }

    /// <summary>The services whose wind-down started and did not complete.</summary>
    public IReadOnlyList<string> Unended { get; }

    /// <summary>The services whose wind-down did not start, as one that depends on them did not complete.</summary>
    public IReadOnlyList<string> Waiting { get; }

    private static string MessageFor(TimeSpan limit, IReadOnlyList<string> unended, IReadOnlyList<string> waiting)
    {
        string waited = waiting.Count == 0 ? "" : $" {string.Join(", ", waiting)} did not start, as they wait for that.";
        return string.Create(
            CultureInfo.InvariantCulture,
            $"{string.Join(", ", unended)} did not wind down within {limit.TotalSeconds:0.###} s.{waited} Increase the limit, or make its WindDown return when its token is canceled.");
    }
}
