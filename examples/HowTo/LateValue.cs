namespace HowTo;

/// <summary>A value that exists only after the container, such as the running application: declared for later, taken as Lazy.</summary>
internal static class LateValue
{
    public static void Run()
    {
        Wiring wiring =
        [
            Singleton.Incoming<RunningOffice>().SuppliedLater(),
            Singleton.Of<HarbourBell>(),
        ];
        using Container container = wiring.Build();
        HarbourBell bell = container.Resolve<HarbourBell>();

        container.Supply(new RunningOffice("http://127.0.0.1:5080"));
        WriteLine(bell.Ring());

        Wiring early = [Singleton.Incoming<RunningOffice>().SuppliedLater(), Singleton.From((RunningOffice office) => office.Address)];
        WriteLine();
        WriteLine(early.Check().Errors[0]);
    }

    private sealed record RunningOffice(string Address);

    private sealed class HarbourBell(Lazy<RunningOffice> office)
    {
        public string Ring() => $"The office is open at {office.Value.Address}.";
    }
}
