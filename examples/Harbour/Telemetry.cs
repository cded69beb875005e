using OpenTelemetry;
using OpenTelemetry.Metrics;
using OpenTelemetry.Trace;

namespace Harbour;

/// <summary>What the container measures, exported with OpenTelemetry.</summary>
public static class Telemetry
{
    public const string None = "none";

    public const string ToConsole = "console";

    /// <summary>The name of Junctivor's meter, and of its source of activities.</summary>
    private const string Source = "Junctivor";

    private static readonly TimeSpan Interval = TimeSpan.FromSeconds(10);

    /// <summary>Exports until what comes back is disposed of; null where nothing is exported.</summary>
    public static IDisposable? Start(string destination) => destination == ToConsole ? new Exports() : null;

    private sealed class Exports : IDisposable
    {
        private readonly TracerProvider _traces = Sdk.CreateTracerProviderBuilder().AddSource(Source).AddConsoleExporter().Build();

        private readonly MeterProvider _meters = Sdk.CreateMeterProviderBuilder()
            .AddMeter(Source)
            .AddConsoleExporter((_, reader) => reader.PeriodicExportingMetricReaderOptions.ExportIntervalMilliseconds = (int)Interval.TotalMilliseconds)
            .Build();

        public void Dispose()
        {
            _meters.Dispose();
            _traces.Dispose();
        }
    }
}
