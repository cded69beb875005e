namespace HowTo;

/// <summary>A branch shares the singletons of its parent, and sees its own replacements.</summary>
internal static class BranchForOne
{
    public static void Run()
    {
        Wiring wiring =
        [
            Singleton.Of<Quays>(),
            Singleton.Of<ITariff, YearTariff>(),
            Transient.Of<BookingDesk>(),
        ];
        using Container harbour = wiring.Build();
        using (Container regatta = harbour.Branch([Singleton.Of<ITariff, RegattaTariff>().Replacing()]))
        {
            WriteLine($"The harbour takes {harbour.Resolve<BookingDesk>().PerNight} a night.");
            WriteLine($"The regatta takes {regatta.Resolve<BookingDesk>().PerNight} a night.");
            WriteLine($"They share the quays: {ReferenceEquals(harbour.Resolve<Quays>(), regatta.Resolve<Quays>())}");
        }

        WriteLine($"The branch is disposed, and the harbour goes on: {harbour.Resolve<BookingDesk>().PerNight}");
    }

    private interface ITariff
    {
        int PerNight { get; }
    }

    private sealed class YearTariff : ITariff
    {
        public int PerNight => 12;
    }

    private sealed class RegattaTariff : ITariff
    {
        public int PerNight => 30;
    }

    private sealed class Quays;

    private sealed class BookingDesk(ITariff tariff, Quays quays)
    {
        public int PerNight { get; } = tariff.PerNight;

        public Quays Quays { get; } = quays;
    }
}
