using System.Globalization;

namespace Junctivor;

/// <summary>Thrown where a host did not end within the limit: it names the requests and the services that it was waited for.</summary>
public sealed class ShutdownTimeoutException : TimeoutException
{
    internal ShutdownTimeoutException(TimeSpan limit, IReadOnlyList<string> requests, WindDownTimeoutException? services)
        : base(MessageFor(limit, requests, services), services)
    {
        Requests = requests;
        Services = services is null ? [] : [.. services.Unended, .. services.Waiting];
    }

    /// <summary>The requests that were still being answered, such as <c>GET /berths</c>.</summary>
    public IReadOnlyList<string> Requests { get; }

    /// <summary>The services that did not wind down.</summary>
    public IReadOnlyList<string> Services { get; }

    private static string MessageFor(TimeSpan limit, IReadOnlyList<string> requests, WindDownTimeoutException? services)
    {
        string unanswered = requests.Count == 0 ? "" : string.Create(
            CultureInfo.InvariantCulture,
            $"Still being answered after {limit.TotalSeconds:0.###} s: {string.Join(", ", requests)}. Let these end when HttpContext.RequestAborted is cancelled, or when the host's ApplicationStopping is.");
        return string.Join(' ', new[] { unanswered, services?.Message ?? "" }.Where(part => part.Length > 0));
    }
}
