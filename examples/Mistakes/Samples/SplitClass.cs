using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV208: one class is registered for two services in two registrations, so that what is written is never read.</summary>
public static class SplitClass
{
    [CheckedWiring("JV208")]
    public static Wiring Wiring =>
    [
        Singleton.Of<ITideReadings, TideLog>(),
        Singleton.Of<ITideGauge, TideLog>(),
        Singleton.Of<Office>().ResolvedDirectly(),
    ];

    private interface ITideReadings
    {
        int Last { get; }
    }

    private interface ITideGauge
    {
        void Write(int centimetres);
    }

    private sealed class TideLog : ITideReadings, ITideGauge
    {
        public int Last { get; private set; }

        public void Write(int centimetres) => Last = centimetres;
    }

    private sealed record Office(ITideReadings Readings, ITideGauge Gauge);
}
