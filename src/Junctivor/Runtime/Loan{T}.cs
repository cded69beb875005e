namespace Junctivor;

/// <summary>
/// An object with the scope that it was made in, which end together: for frameworks that ask for an object by its type, use it, and
/// give it back. Made by <see cref="Resolver.Lend{T}(ReadOnlySpan{Incoming})"/> and its like. Ending it is safe from any thread; a second time does nothing.
/// </summary>
/// <typeparam name="T">What is lent.</typeparam>
public sealed class Loan<T> : IAsyncDisposable, IDisposable
    where T : notnull
{
    private readonly Scope _scope;

    internal Loan(Scope scope, T value)
    {
        _scope = scope;
        Value = value;
    }

    /// <summary>What is lent. It must not be used after the loan has ended.</summary>
    public T Value { get; }

    /// <summary>Ends the scope, and with it what was made for the loan.</summary>
    /// <exception cref="AggregateException">Something threw, or can end only asynchronously; all were tried.</exception>
    public void Dispose() => _scope.Dispose();

    /// <summary>Ends the scope, and with it what was made for the loan, asynchronously where there is a choice.</summary>
    /// <returns>What completes when all has ended.</returns>
    /// <exception cref="AggregateException">Something threw; all were tried.</exception>
    public ValueTask DisposeAsync() => _scope.DisposeAsync();
}
