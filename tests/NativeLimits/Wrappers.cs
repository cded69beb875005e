namespace Junctivor.NativeLimits;

internal static class Wrappers
{
    public static object ListOfStructure()
    {
        using Container container = new Wiring { Transient.Of(typeof(Almanac), typeof(Almanac)) }.Build();
        return container.Resolve<Almanac>().Days.Count;
    }

    public static object ListOfPrivateStructure()
    {
        Registration berth = Singleton.ValueAs(typeof(Berth), new Berth(3));
        using Container container = new Wiring { berth, Transient.Of<Quay>() }.Build();
        return $"{container.Resolve<Quay>().All[0].Number} and {container.Resolve<Quay>().Later().Number}";
    }

    private sealed record Almanac(IReadOnlyList<DateOnly> Days);

    private readonly record struct Berth(int Number);

    private sealed record Quay(IReadOnlyList<Berth> All, Func<Berth> Later);
}
