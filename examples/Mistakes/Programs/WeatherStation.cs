using Junctivor;

namespace Mistakes.Programs;

/// <summary>A weather station: two instruments keep the reading number of their first measurement.</summary>
public static class WeatherStation
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        pressure 1, pressure 2
        rain 3, rain 4

        """;

    [CheckedWiring("weather station")]
    public static Wiring Wiring =>
    [
        Transient.Of<Reading>(),
        Singleton.Of<Barometer>(),
        Singleton.Of<RainGauge>(),
    ];

    public static void Run(TextWriter output)
    {
        using Container container = Wiring.Build();
        Barometer barometer = container.Resolve<Barometer>();
        output.WriteLine($"{barometer.Measure()}, {barometer.Measure()}");
        RainGauge gauge = container.Resolve<RainGauge>();
        output.WriteLine($"{gauge.Measure()}, {gauge.Measure()}");
    }

    private sealed class Reading
    {
        private static int Last;

        public int Number { get; } = Interlocked.Increment(ref Last);
    }

    private sealed class Barometer(Reading reading)
    {
        public string Measure() => $"pressure {reading.Number}";
    }

    private sealed class RainGauge
    {
        private readonly Reading _reading;

        public RainGauge(Reading reading)
        {
            ArgumentNullException.ThrowIfNull(reading);
            _reading = reading;
        }

        public string Measure()
        {
            return $"rain {_reading.Number}";
        }
    }
}
