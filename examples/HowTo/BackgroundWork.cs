namespace HowTo;

/// <summary>Background work runs from after the warm-up until the program is told to stop. If it fails, the program says so and ends with a
/// failure.</summary>
internal static class BackgroundWork
{
    public static async Task RunAsync()
    {
        // Ctrl+C and SIGTERM stop a real one: return await container.RunWiredAsync();
        using CancellationTokenSource stop = new();
        WriteLine($"exit code {await RunAsync(new Gauge(lastTide: 2, stop.Cancel), stop.Token)}");
        WriteLine();
        WriteLine($"exit code {await RunAsync(new Gauge(lastTide: 0, () => throw new TimeoutException("the gauge does not answer")), default)}");
    }

    private static async Task<int> RunAsync(Gauge gauge, CancellationToken stop)
    {
        Wiring wiring =
        [
            Singleton.Value(gauge),
            Singleton.Of<TideReader>().Background((reader, stopping) => reader.ReadAsync(stopping)),
        ];
        await using Container container = wiring.Build();
        using StringWriter errors = new();
        int exitCode = await container.RunWiredAsync(new ProgramOptions { Stop = stop, Errors = errors });
        Write(errors.ToString().Split('\n')[0] is { Length: > 0 } first ? $"{first}\n" : "");
        return exitCode;
    }

    private sealed class Gauge(int lastTide, Action atEnd)
    {
        private int _tide;

        public async Task<int> NextAsync(CancellationToken stopping)
        {
            if (_tide == lastTide)
            {
                atEnd();
                await Task.Delay(Timeout.Infinite, stopping);
            }

            return ++_tide;
        }
    }

    private sealed class TideReader(Gauge gauge)
    {
        public async Task ReadAsync(CancellationToken stopping)
        {
            WriteLine("the reader starts");
            while (true)
            {
                WriteLine($"low tide at {await gauge.NextAsync(stopping)}");
            }
        }
    }
}
