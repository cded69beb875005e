using System.Globalization;

namespace Junctivor;

/// <summary>Thrown when a host does not stop within the limit: it names the requests and services that did not complete.</summary>
public sealed class ShutdownTimeoutException : JunctivorException
{
    private const int MostNamed = 10;

    internal ShutdownTimeoutException(TimeSpan limit, IReadOnlyList<string> requests, WindDownTimeoutException? services)
        : base(MessageFor(limit, requests, services), services)
    {
        Requests = requests;
        Services = services is null ? [] : [.. services.Unended, .. services.Waiting];
    }

    /// <summary>The requests that were still in progress, such as <c>GET /berths</c>.</summary>
    public IReadOnlyList<string> Requests { get; }

    /// <summary>The services that did not wind down.</summary>
    public IReadOnlyList<string> Services { get; }

    private static string MessageFor(TimeSpan limit, IReadOnlyList<string> requests, WindDownTimeoutException? services)
    {
        string unanswered = requests.Count == 0 ? "" : string.Create(
            CultureInfo.InvariantCulture,
            $"Still open when the server stopped, with a limit of {limit.TotalSeconds:0.###} s: {Names(requests)}. Make their handlers return when HttpContext.RequestAborted or the host's ApplicationStopping is canceled.");
        return string.Join(' ', new[] { unanswered, services?.Message ?? "" }.Where(part => part.Length > 0));
    }

    /// <summary>Each once, the most frequent first, and not too many.</summary>
    private static string Names(IReadOnlyList<string> requests)
    {
        string[] names =
        [
            .. requests.CountBy(request => request)
                .OrderByDescending(counted => counted.Value).ThenBy(counted => counted.Key, StringComparer.Ordinal)
                .Select(counted => counted.Value == 1 ? counted.Key : $"{counted.Key} ({counted.Value} times)"),
        ];
        return names.Length <= MostNamed
            ? string.Join(", ", names)
            : $"{string.Join(", ", names.Take(MostNamed))} and {names.Length - MostNamed} more";
    }
}
