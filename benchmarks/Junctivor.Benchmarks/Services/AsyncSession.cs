namespace Junctivor.Benchmarks.Services;

/// <summary>A session of a database, which ends asynchronously with its scope.</summary>
public sealed class AsyncSession : IAsyncDisposable
{
    public bool HasEnded { get; private set; }

    public ValueTask DisposeAsync()
    {
        HasEnded = true;
        return ValueTask.CompletedTask;
    }
}
