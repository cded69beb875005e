namespace Junctivor.Workers;

/// <summary>Due at a time of day, as the clocks of a place show it.</summary>
internal sealed class OnceADay(TimeOnly at, TimeZoneInfo zone) : Recurrence
{
    public override DateTimeOffset Next(DateTimeOffset last, DateTimeOffset now)
    {
        DateTimeOffset after = last > now ? last : now;
        DateOnly day = DateOnly.FromDateTime(TimeZoneInfo.ConvertTime(after, zone).DateTime);
        DateTimeOffset due = On(day);
        return due > after || (due == after && due != last) ? due : On(day.AddDays(1));
    }

    /// <summary>The first moment of that day at which the clocks show the time, or would have.</summary>
    private DateTimeOffset On(DateOnly day)
    {
        DateTime shown = day.ToDateTime(at);
        if (zone.IsInvalidTime(shown))
        {
            // What the clocks skip, comes with the offset from before the change: as much later as they were put on.
            return new DateTimeOffset(shown, zone.GetUtcOffset(shown.AddDays(-1)));
        }

        return new DateTimeOffset(
            shown, zone.IsAmbiguousTime(shown) ? zone.GetAmbiguousTimeOffsets(shown).Max() : zone.GetUtcOffset(shown));
    }
}
