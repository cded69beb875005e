namespace Junctivor.Workers;

/// <summary>When something is due again.</summary>
internal abstract class Recurrence
{
    /// <summary>The next time that is due: after the last one, and not past already.</summary>
    /// <param name="last">When it was due last, or when the schedule began.</param>
    /// <param name="now">What the time is.</param>
    public abstract DateTimeOffset Next(DateTimeOffset last, DateTimeOffset now);
}
