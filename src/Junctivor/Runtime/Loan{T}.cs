using System.Diagnostics;

namespace Junctivor;

/// <summary>
/// An object with the scope that it was created in, which are disposed together: for frameworks that resolve an object by its type, use it
/// and release it. Created by <see cref="Resolver.Lend{T}(ReadOnlySpan{Incoming})"/> and its overloads. Disposal is safe from any thread; a
/// second call does nothing.
/// </summary>
/// <typeparam name="T">The service.</typeparam>
[DebuggerDisplay("{DebuggerText,nq}")]
public sealed class Loan<T> : IAsyncDisposable, IDisposable
    where T : notnull
{
    private readonly Scope _scope;

    internal Loan(Scope scope, T value)
    {
        _scope = scope;
        Value = value;
    }

    /// <summary>The object. It must not be used after the loan is disposed.</summary>
    public T Value { get; }

    private string DebuggerText => _scope.IsDisposed ? "Loan, disposed" : $"Loan: {Value}";

    /// <summary>Disposes the scope and everything that was created for the loan.</summary>
    /// <exception cref="AggregateException">A disposal threw, or a service can be disposed only asynchronously. All were tried.</exception>
    public void Dispose() => _scope.Dispose();

    /// <summary>Disposes the scope and everything that was created for the loan, asynchronously where possible.</summary>
    /// <returns>A task that completes when everything is disposed.</returns>
    /// <exception cref="AggregateException">A disposal threw. All were tried.</exception>
    public ValueTask DisposeAsync() => _scope.DisposeAsync();
}
