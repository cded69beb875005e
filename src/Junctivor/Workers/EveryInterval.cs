namespace Junctivor.Workers;

/// <summary>Due again and again, counted from the beginning; what has passed meanwhile is left out. An interval longer than time is never
/// due.</summary>
internal sealed class EveryInterval(TimeSpan interval) : Recurrence
{
    public override DateTimeOffset Next(DateTimeOffset last, DateTimeOffset now)
    {
        long passed = now > last ? (now - last).Ticks / interval.Ticks : 0;
        DateTimeOffset newest = last + (interval * passed);
        return newest >= now && newest != last ? newest
            : DateTimeOffset.MaxValue - newest < interval ? DateTimeOffset.MaxValue
            : newest + interval;
    }
}
