using System.Diagnostics.Metrics;

namespace HowTo;

/// <summary>Whoever listens to the meter is told what all containers of the process do from then on; it costs nothing while nobody
/// does.</summary>
internal static class Measuring
{
    public static void Run()
    {
        Wiring wiring =
        [
            Scoped.Of<Ledger>(),
            Transient.Of<Clerk>(),
        ];
        using Container container = wiring.Build();
        ServeRequests(container, 3);
        WriteLine("3 requests, and nobody listened.");

        ListenWhile(() => ServeRequests(container, 2));
    }

    private static void ListenWhile(Action work)
    {
        SortedDictionary<string, long> counted = [];
        using MeterListener listener = new();
        listener.InstrumentPublished = (instrument, asked) =>
        {
            if (instrument.Meter.Name == "Junctivor" && instrument is Counter<long>)
            {
                asked.EnableMeasurementEvents(instrument);
            }
        };
        listener.SetMeasurementEventCallback<long>(
            (instrument, number, _, _) => counted[instrument.Name] = counted.GetValueOrDefault(instrument.Name) + number);
        listener.Start();

        work();
        WriteLine("2 requests, listened to:");
        foreach ((string name, long number) in counted)
        {
            WriteLine($"  {name}: {number}");
        }
    }

    private static void ServeRequests(Container container, int count)
    {
        for (int number = 0; number < count; number++)
        {
            using Scope request = container.StartScope();
            request.Resolve<Clerk>();
        }
    }

    private sealed class Ledger;

    private sealed record Clerk(Ledger Ledger);
}
