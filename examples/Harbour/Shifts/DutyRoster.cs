namespace Harbour.Shifts;

/// <summary>What the crew of one shift has done. The next crew begins with an empty one.</summary>
public sealed class DutyRoster(Shift shift)
{
    private int _bookings;

    public Shift Shift { get; } = shift;

    public int Bookings => _bookings;

    public void NoteBooking() => Interlocked.Increment(ref _bookings);
}
