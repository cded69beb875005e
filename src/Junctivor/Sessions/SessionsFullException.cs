namespace Junctivor;

/// <summary>Thrown where one session more is wanted than there may be, and all are being visited.</summary>
public sealed class SessionsFullException : InvalidOperationException
{
    internal SessionsFullException(int atMost)
        : base($"No further session can start: {atMost} at once are allowed, and all are being visited. Try again later, or let {nameof(Sessions)}.{nameof(Sessions.MaxSessions)} be more.") =>
        MaxSessions = atMost;

    /// <summary>How many there may be.</summary>
    public int MaxSessions { get; }
}
