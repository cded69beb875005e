namespace Junctivor.Benchmarks.Services;

public sealed record Gauge(Journal Journal) : IDisposable
{
    public bool HasEnded { get; private set; }

    public void Dispose() => HasEnded = true;
}
