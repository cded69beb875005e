namespace HowTo;

/// <summary>Two services that know each other form a cycle, which the check shows; Lazy opens it.</summary>
internal static class LazyCycle
{
    public static void Run()
    {
        Wiring ring = [Singleton.Of<Pilot>(), Singleton.Of<IBoat, HastyBoat>()];
        WriteLine(ring.Check().Errors[0]);

        Wiring opened = [Singleton.Of<Pilot>(), Singleton.Of<IBoat, PatientBoat>()];
        using Container container = opened.Build();
        WriteLine();
        WriteLine(container.Resolve<IBoat>().Report());
    }

    private interface IBoat
    {
        string Report();
    }

    private sealed class Pilot(IBoat boat)
    {
        public IBoat Boat { get; } = boat;
    }

    private sealed class HastyBoat(Pilot pilot) : IBoat
    {
        public string Report() => $"{pilot}";
    }

    private sealed class PatientBoat(Lazy<Pilot> pilot) : IBoat
    {
        public string Report() => $"The pilot's boat is this one: {ReferenceEquals(pilot.Value.Boat, this)}";
    }
}
