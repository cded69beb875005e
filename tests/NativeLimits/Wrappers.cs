namespace Junctivor.NativeLimits;

internal static class Wrappers
{
    public static object ListOfStructure()
    {
        using Container container = new Wiring { Transient.Of(typeof(Almanac), typeof(Almanac)) }.Build();
        return container.Resolve<Almanac>();
    }

    private sealed record Almanac(IReadOnlyList<DateOnly> Days);
}
