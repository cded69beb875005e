namespace Junctivor;

/// <summary>Thrown when a new session would exceed the maximum, and all sessions are in use.</summary>
public sealed class SessionsFullException : JunctivorException
{
    internal SessionsFullException(int atMost)
        : base($"No further session can start: all {atMost} are in use. Try again later, or increase "
            + $"{nameof(Sessions)}.{nameof(Sessions.MaxCount)}.") =>
        MaxCount = atMost;

    /// <summary>The maximum number of sessions.</summary>
    public int MaxCount { get; }
}
