using System.Diagnostics;
using System.Diagnostics.Metrics;
using System.Runtime.CompilerServices;

namespace Junctivor.Telemetry;

/// <summary>What is measured, for all containers of the process; <see cref="Measuring"/> has the one that there is. Safe for use by several
/// threads.</summary>
internal sealed class Instruments
{
    public const string Name = "Junctivor";

    public const string Level = "junctivor.level";

    public const string Service = "junctivor.service";

    public const string Lifetime = "junctivor.lifetime";

    public const string Stage = "junctivor.stage";

    public const string ErrorType = "error.type";

    public Instruments()
    {
        string? version = typeof(Instruments).Assembly.GetName().Version?.ToString(3);
        Meter meter = new(Name, version);
        Activities = new ActivitySource(Name, version);
        ScopesOpen =
            meter.CreateUpDownCounter<int>("junctivor.scopes.open", "{scope}", "Scopes that were started and are not disposed yet.");
        ScopesEntered = meter.CreateCounter<long>("junctivor.scopes.entered", "{scope}", "Scopes that were started.");
        Constructions =
            meter.CreateCounter<long>("junctivor.constructions", "{construction}", "Instances that constructors and factories returned.");
        ConstructionTime = meter.CreateHistogram(
            "junctivor.construction.duration",
            "s",
            "The duration of a constructor or factory, without that of its arguments.",
            tags: [],
            new InstrumentAdvice<double> { HistogramBucketBoundaries = [0.000_001, 0.000_01, 0.000_1, 0.001, 0.01, 0.1, 1, 10] });
        Failures = meter.CreateCounter<long>("junctivor.failures", "{failure}", "Constructors, factories and disposals that threw.");
    }

    public ActivitySource Activities { get; }

    public UpDownCounter<int> ScopesOpen { get; }

    public Counter<long> ScopesEntered { get; }

    public Counter<long> Constructions { get; }

    public Histogram<double> ConstructionTime { get; }

    public Counter<long> Failures { get; }

    /// <summary>Whether anybody listens.</summary>
    public bool AreOn => Constructions.Enabled || ConstructionTime.Enabled || MeasureScopes || Failures.Enabled;

    /// <summary>Whether an observer or listener wants to know of scopes.</summary>
    public bool MeasureScopes
    {
        [MethodImpl(MethodImplOptions.AggressiveInlining)]
        get => ScopesEntered.Enabled || ScopesOpen.Enabled || Activities.HasListeners();
    }
}
