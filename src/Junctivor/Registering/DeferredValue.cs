namespace Junctivor.Registering;

/// <summary>A supplied value that is read when it is first resolved, and disposed in its place. Safe for use by several
/// threads.</summary> <param name="read">Returns the value.</param>
internal sealed class DeferredValue(Func<object?> read) : IDisposable, IAsyncDisposable
{
    private volatile object? _value;

    /// <summary>There is one for each request of a web server: so it is its own gate, and creates no other object for that.</summary>
    private object Gate => this;

    /// <exception cref="InvalidOperationException">The function returned null.</exception>
    public object Get()
    {
        if (_value is { } known)
        {
            return known;
        }

        lock (Gate)
        {
            return _value ??= read() ?? throw new InvalidOperationException(
                "The function of Incoming.WhenRequested returned null: return a value, or do not supply it.");
        }
    }

    /// <summary>Disposes the value, if it was read.</summary>
    public void Dispose()
    {
        if (_value is IDisposable disposable)
        {
            disposable.Dispose();
        }
        else if (_value is IAsyncDisposable)
        {
            throw new InvalidOperationException($"{_value.GetType()} can only be disposed asynchronously: use await using.");
        }
    }

    /// <inheritdoc cref="Dispose"/>
    public async ValueTask DisposeAsync()
    {
        if (_value is IAsyncDisposable disposable)
        {
            await disposable.DisposeAsync().ConfigureAwait(false);
        }
        else
        {
            (_value as IDisposable)?.Dispose();
        }
    }

    public override string ToString() => $"{_value ?? "not read yet"}";
}
