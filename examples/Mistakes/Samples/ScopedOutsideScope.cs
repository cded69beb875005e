using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV302: the desk is requested from the container, outside every scope.</summary>
public static class ScopedOutsideScope
{
    public static string Ask()
    {
        Wiring wiring = [Scoped.Of<BookingDesk>()];
        using Container container = wiring.Build();
        BookingDesk desk = container.Resolve<BookingDesk>();
        return desk.Book();
    }

    private sealed class BookingDesk
    {
        public string Book() => "booked";
    }
}
