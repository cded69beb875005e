namespace Junctivor.Load;

/// <summary>One for each request, and ended with it.</summary>
public sealed class Page : IAsyncDisposable
{
    public int Lines { get; private set; }

    public int AddLine() => ++Lines;

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;
}
