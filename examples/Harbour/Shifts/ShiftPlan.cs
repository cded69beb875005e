using Harbour.Office;

namespace Harbour.Shifts;

/// <summary>Says which shift is on duty.</summary>
public sealed class ShiftPlan(IClock clock)
{
    private const int Morning = 6;
    private const int Evening = 14;
    private const int Night = 22;

    public Shift Now
    {
        get
        {
            DateTimeOffset now = clock.Now;
            string name = now.Hour switch
            {
                >= Morning and < Evening => "morning watch",
                >= Evening and < Night => "evening watch",
                _ => "night watch",
            };

            // The night belongs to the day on which it began.
            return new Shift(name, DateOnly.FromDateTime(now.Hour < Morning ? now.DateTime.AddDays(-1) : now.DateTime));
        }
    }
}
