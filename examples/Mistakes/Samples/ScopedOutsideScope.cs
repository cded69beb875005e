using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV302: the desk is requested from the container, outside every scope.</summary>
public static class ScopedOutsideScope
{
    public static object Ask()
    {
        Wiring wiring = [Scoped.Incoming<Caller>(), Scoped.Of<BookingDesk>()];
        using Container container = wiring.Build();
        return container.Resolve<BookingDesk>();
    }

    private sealed record Caller(string Name);

    private sealed class BookingDesk(Caller caller);
}
