using OpenTelemetry;
using OpenTelemetry.Metrics;
using OpenTelemetry.Resources;
using OpenTelemetry.Trace;

namespace Harbour;

/// <summary>What the container measures, exported with OpenTelemetry.</summary>
public static class Telemetry
{
    public const string None = "none";

    public const string ToConsole = "console";

    /// <summary>The name of Junctivor's meter, and of its source of activities.</summary>
    private const string Source = "Junctivor";

    /// <summary>The source of the web server: the scope of a request belongs to the activity of the request.</summary>
    private const string WebServer = "Microsoft.AspNetCore";

    private static readonly TimeSpan Interval = TimeSpan.FromSeconds(10);

    /// <summary>Exports until what comes back is disposed; null if nothing is exported.</summary>
    public static IDisposable? Start(string destination) => destination == ToConsole ? new Exports() : null;

    private sealed class Exports : IDisposable
    {
        private static readonly ResourceBuilder Office = ResourceBuilder.CreateDefault().AddService("harbour");

        private readonly TracerProvider _traces = Sdk.CreateTracerProviderBuilder()
            .SetResourceBuilder(Office)
            .AddSource(WebServer, Source)
            .AddConsoleExporter()
            .Build();

        private readonly MeterProvider _meters = Sdk.CreateMeterProviderBuilder()
            .SetResourceBuilder(Office)
            .AddMeter(Source)
            .AddConsoleExporter(
                (_, reader) => reader.PeriodicExportingMetricReaderOptions.ExportIntervalMilliseconds = (int)Interval.TotalMilliseconds)
            .Build();

        public void Dispose()
        {
            _meters.Dispose();
            _traces.Dispose();
        }
    }
}
