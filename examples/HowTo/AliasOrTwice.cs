namespace HowTo;

/// <summary>An alias is another name for the very same instance; a second registration creates another one.</summary>
internal static class AliasOrTwice
{
    public static void Run()
    {
        Wiring wiring =
        [
            Singleton.Of<IBerthLedger, Ledger>(),
            Alias.Of<IBerthReader, IBerthLedger>(),     // whatever serves IBerthLedger, decorated as it is
            Singleton.Of<Ledger>(),                     // a second registration: an instance of its own
        ];
        using Container container = wiring.Build();

        IBerthLedger ledger = container.Resolve<IBerthLedger>();
        WriteLine($"The reader is the ledger:         {ReferenceEquals(ledger, container.Resolve<IBerthReader>())}");
        WriteLine($"The second registration is it:    {ReferenceEquals(ledger, container.Resolve<Ledger>())}");

        Wiring shared = [Singleton.Of<Ledger>().Also<IBerthLedger>().Also<IBerthReader>()];
        using Container one = shared.Build();
        WriteLine($".Also() gives one under all names: {ReferenceEquals(one.Resolve<Ledger>(), one.Resolve<IBerthReader>())}");
    }

    private interface IBerthReader;

    private interface IBerthLedger : IBerthReader;

    private sealed class Ledger : IBerthLedger;
}
