namespace Junctivor.Benchmarks.Services;

public sealed record Journal(Session Session) : IDisposable
{
    public bool HasEnded { get; private set; }

    public void Dispose() => HasEnded = true;
}
