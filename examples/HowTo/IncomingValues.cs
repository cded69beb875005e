namespace HowTo;

/// <summary>What only the run knows is declared in the wiring, and supplied: settings to the container, the caller to a scope.</summary>
internal static class IncomingValues
{
    public static void Run()
    {
        Wiring wiring =
        [
            Singleton.Incoming<HarbourSettings>(),
            Scoped.Incoming<Caller>(),
            Scoped.Of<BookingDesk>(),
        ];
        using Container container = wiring.Build(Incoming.Value(new HarbourSettings("Port Wren")));

        foreach (string name in new[] { "Mira", "Tove" })
        {
            using Scope request = container.StartScope(Incoming.Value(new Caller(name)));
            WriteLine(request.Resolve<BookingDesk>().Greeting);
        }

        WriteLine();
        try
        {
            wiring.Build();
        }
        catch (WiringException forgotten)
        {
            WriteLine(forgotten.Report.Errors[0]);
        }
    }

    private sealed record HarbourSettings(string Name);

    private sealed record Caller(string Name);

    private sealed class BookingDesk(HarbourSettings harbour, Caller caller)
    {
        public string Greeting { get; } = $"Welcome to {harbour.Name}, {caller.Name}.";
    }
}
