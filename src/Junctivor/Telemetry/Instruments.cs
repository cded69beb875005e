using System.Diagnostics;
using System.Diagnostics.Metrics;
using System.Runtime.CompilerServices;

namespace Junctivor.Telemetry;

/// <summary>What is measured, for all containers of the process. Safe for use by several threads.</summary>
internal static class Instruments
{
    public const string Name = "Junctivor";

    public const string Level = "junctivor.level";

    public const string Service = "junctivor.service";

    public const string Lifetime = "junctivor.lifetime";

    public const string Stage = "junctivor.stage";

    public const string ErrorType = "error.type";

    private static readonly string? Version = typeof(Instruments).Assembly.GetName().Version?.ToString(3);

    private static readonly Meter Meter = new(Name, Version);

    public static readonly ActivitySource Activities = new(Name, Version);

    public static readonly UpDownCounter<int> ScopesOpen = Meter.CreateUpDownCounter<int>(
        "junctivor.scopes.open", "{scope}", "Scopes that have started and not ended.");

    public static readonly Counter<long> ScopesEntered = Meter.CreateCounter<long>(
        "junctivor.scopes.entered", "{scope}", "Scopes that have started.");

    public static readonly Counter<long> Constructions = Meter.CreateCounter<long>(
        "junctivor.constructions", "{construction}", "Instances that constructors and factories gave.");

    public static readonly Histogram<double> ConstructionTime = Meter.CreateHistogram(
        "junctivor.construction.duration",
        "s",
        "What a constructor or factory took, without what its arguments took.",
        tags: [],
        new InstrumentAdvice<double> { HistogramBucketBoundaries = [0.000_001, 0.000_01, 0.000_1, 0.001, 0.01, 0.1, 1, 10] });

    public static readonly Counter<long> Failures = Meter.CreateCounter<long>(
        "junctivor.failures", "{failure}", "Constructors, factories and disposals that threw.");

    /// <summary>Whether anybody listens.</summary>
    public static bool AreOn => MeasurePlainConstructions || Activities.HasListeners() || Failures.Enabled || ScopesOpen.Enabled || ScopesEntered.Enabled;

    /// <summary>Whether anybody wants to know of scopes.</summary>
    public static bool MeasureScopes
    {
        [MethodImpl(MethodImplOptions.AggressiveInlining)]
        get => ScopesEntered.Enabled || ScopesOpen.Enabled || Activities.HasListeners();
    }

    /// <summary>Whether anybody wants to know of constructions that go well and cannot take long, so that there is no activity for them.</summary>
    public static bool MeasurePlainConstructions
    {
        [MethodImpl(MethodImplOptions.AggressiveInlining)]
        get => Constructions.Enabled || ConstructionTime.Enabled;
    }
}
