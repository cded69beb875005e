namespace Junctivor.Benchmarks.Services;

/// <summary>A session of a database, which ends with its scope.</summary>
public sealed class Session : IDisposable
{
    public bool HasEnded { get; private set; }

    public void Dispose() => HasEnded = true;
}
