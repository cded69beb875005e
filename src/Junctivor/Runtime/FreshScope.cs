using System.ComponentModel;
using System.Diagnostics;
using System.Runtime.CompilerServices;
using Junctivor.Registering;
using Junctivor.Runtime;

namespace Junctivor;

/// <summary>
/// Injected into a long-lived service that works with a scoped one: each run starts a scope, resolves a
/// <typeparamref name="T"/> from it, runs the work, and disposes the scope. Safe for use by several threads; each run has its
/// own scope.
/// </summary>
/// <typeparam name="T">The service that the work uses.</typeparam>
/// <example>
/// <code>
/// public sealed class NightlyInvoicing(FreshScope&lt;IBerthLedger&gt; ledger)
/// {
///     public Task RunAsync(CancellationToken token) =>
///         ledger.RunAsync(fresh => fresh.InvoiceAsync(token), cancellationToken: token);
/// }
/// </code>
/// </example>
[DebuggerDisplay("{DebuggerText,nq}")]
public sealed class FreshScope<T>
    where T : notnull
{
    private readonly DeferredResolution<T>? _later;
    private readonly Func<T>? _create;

    /// <summary>Creates one for a unit test, without a container. It starts no scope, and disposes nothing.</summary>
    /// <param name="create">Returns the service for each run.</param>
    /// <exception cref="ArgumentNullException"><paramref name="create"/> is null.</exception>
    public FreshScope(Func<T> create)
    {
        ArgumentNullException.ThrowIfNull(create);
        _create = create;
    }

    internal FreshScope(DeferredResolution<T> later) => _later = later;

    private string DebuggerText => $"FreshScope of {TypeNames.Short(typeof(T))}{(_later is null ? ", without a container" : "")}";

    /// <summary>Runs work in a new scope.</summary>
    /// <param name="work">The work.</param>
    /// <param name="incoming">The values that the wiring declares with <c>Scoped.Incoming</c>.</param>
    /// <exception cref="ArgumentNullException"><paramref name="work"/> is null.</exception>
    /// <exception cref="ResolveException">The scope or the service is not available.</exception>
    /// <exception cref="ConstructionException">A constructor or factory threw.</exception>
    /// <exception cref="AggregateException">A disposal threw, or a service can be disposed only asynchronously: then its disposal is
    /// started, and not awaited. If the work threw too, its exception is the first inside.</exception>
    /// <exception cref="ObjectDisposedException">The holder of this object is disposed.</exception>
    public void Run(Action<T> work, params ReadOnlySpan<Incoming> incoming)
    {
        ArgumentNullException.ThrowIfNull(work);
        Scope? scope = _later?.Home.StartScope(incoming);
        Exception? failure = null;
        bool isDone = false;
        try
        {
            work(Resolve(scope));
            isDone = true;
        }
        catch (Exception thrown) when (ScopedWork.IsNoted(thrown, out failure))
        {
            throw;
        }
        finally
        {
            if (!isDone)
            {
                ScopedWork.DisposeAfterFailure(failure!, scope);
            }
        }

        ScopedWork.DisposeScope(scope);
    }

    /// <summary>Runs work in a new scope, and returns its result.</summary>
    /// <typeparam name="TResult">The result of the work.</typeparam>
    /// <param name="work">The work. It must not return an object of the scope, which is disposed with the scope.</param>
    /// <param name="incoming">The values that the wiring declares with <c>Scoped.Incoming</c>.</param>
    /// <returns>The result of the work.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="work"/> is null.</exception>
    /// <exception cref="ResolveException">The scope or the service is not available.</exception>
    /// <exception cref="ConstructionException">A constructor or factory threw.</exception>
    /// <exception cref="AggregateException">A disposal threw, or a service can be disposed only asynchronously: then its disposal is
    /// started, and not awaited. If the work threw too, its exception is the first inside.</exception>
    /// <exception cref="ObjectDisposedException">The holder of this object is disposed.</exception>
    public TResult Run<TResult>(Func<T, TResult> work, params ReadOnlySpan<Incoming> incoming)
    {
        ArgumentNullException.ThrowIfNull(work);
        Scope? scope = _later?.Home.StartScope(incoming);
        TResult result;
        Exception? failure = null;
        bool isDone = false;
        try
        {
            result = work(Resolve(scope));
            isDone = true;
        }
        catch (Exception thrown) when (ScopedWork.IsNoted(thrown, out failure))
        {
            throw;
        }
        finally
        {
            if (!isDone)
            {
                ScopedWork.DisposeAfterFailure(failure!, scope);
            }
        }

        ScopedWork.DisposeScope(scope);
        return result;
    }

    /// <summary>Not for work that is awaited: its scope would be disposed while the work still runs. Use <c>RunAsync</c>.</summary>
    /// <param name="work">The work.</param>
    /// <param name="incoming">The values that the wiring declares with <c>Scoped.Incoming</c>.</param>
    /// <returns>Never anything.</returns>
    /// <exception cref="NotSupportedException">Always; the compiler refuses the call.</exception>
    [Obsolete("The scope would be disposed while the work still runs. Await RunAsync instead.", error: true)]
    [EditorBrowsable(EditorBrowsableState.Never)]
    [OverloadResolutionPriority(1)]
    public Task Run(Func<T, Task> work, params ReadOnlySpan<Incoming> incoming) =>
        throw new NotSupportedException("Await RunAsync instead.");

    /// <summary>Runs work in a new scope, and disposes the scope asynchronously after it.</summary>
    /// <param name="work">The work.</param>
    /// <param name="incoming">The values that the wiring declares with <c>Scoped.Incoming</c>.</param>
    /// <param name="cancellationToken">Passed to asynchronous factories of the scope that take a token. The work takes it itself:
    /// <c>fresh.RunAsync(ledger => ledger.InvoiceAsync(token), cancellationToken: token)</c>.</param>
    /// <returns>A task that completes when the work is done and the scope is disposed. It fails with the exception of the work; if the
    /// disposal failed too, with an <see cref="AggregateException"/> of both, that of the work first.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="work"/> is null.</exception>
    /// <exception cref="ResolveException">The scope is not available.</exception>
    /// <exception cref="ObjectDisposedException">The holder of this object is disposed.</exception>
    [OverloadResolutionPriority(1)]
    public Task RunAsync(
        Func<T, Task> work, ReadOnlySpan<Incoming> incoming = default, CancellationToken cancellationToken = default)
    {
        ArgumentNullException.ThrowIfNull(work);
        return WorkAsync(_later?.Home.StartScopeAsync(incoming, cancellationToken).AsTask(), async fresh =>
        {
            await work(fresh).ConfigureAwait(false);
            return true;
        });
    }

    /// <summary>Runs work in a new scope, disposes the scope asynchronously after it, and returns the result of the work.</summary>
    /// <typeparam name="TResult">The result of the work.</typeparam>
    /// <param name="work">The work. It must not return an object of the scope, which is disposed with the scope.</param>
    /// <param name="incoming">The values that the wiring declares with <c>Scoped.Incoming</c>.</param>
    /// <param name="cancellationToken">Passed to asynchronous factories of the scope that take a token. The work takes it itself:
    /// <c>fresh.RunAsync(ledger => ledger.InvoiceAsync(token), cancellationToken: token)</c>.</param>
    /// <returns>The result of the work, after the scope is disposed. It fails with the exception of the work; if the disposal failed too,
    /// with an <see cref="AggregateException"/> of both, that of the work first.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="work"/> is null.</exception>
    /// <exception cref="ResolveException">The scope is not available.</exception>
    /// <exception cref="ObjectDisposedException">The holder of this object is disposed.</exception>
    [OverloadResolutionPriority(1)]
    public Task<TResult> RunAsync<TResult>(
        Func<T, Task<TResult>> work, ReadOnlySpan<Incoming> incoming = default, CancellationToken cancellationToken = default)
    {
        ArgumentNullException.ThrowIfNull(work);
        return WorkAsync(_later?.Home.StartScopeAsync(incoming, cancellationToken).AsTask(), work);
    }

    /// <inheritdoc cref="RunAsync(Func{T, Task}, ReadOnlySpan{Incoming}, CancellationToken)"/>
    public Task RunAsync(
        Func<T, ValueTask> work, ReadOnlySpan<Incoming> incoming = default, CancellationToken cancellationToken = default)
    {
        ArgumentNullException.ThrowIfNull(work);
        return RunAsync(fresh => work(fresh).AsTask(), incoming, cancellationToken);
    }

    /// <inheritdoc cref="RunAsync{TResult}(Func{T, Task{TResult}}, ReadOnlySpan{Incoming}, CancellationToken)"/>
    public Task<TResult> RunAsync<TResult>(
        Func<T, ValueTask<TResult>> work, ReadOnlySpan<Incoming> incoming = default, CancellationToken cancellationToken = default)
    {
        ArgumentNullException.ThrowIfNull(work);
        return RunAsync(fresh => work(fresh).AsTask(), incoming, cancellationToken);
    }

    private async Task<TResult> WorkAsync<TResult>(Task<Scope>? starting, Func<T, Task<TResult>> work) => starting is null
        ? await work(_create!()).ConfigureAwait(false)
        : await ScopedWork.RunAsync(await starting.ConfigureAwait(false), scope => work(_later!.Get(scope))).ConfigureAwait(false);

    private T Resolve(Scope? scope) => scope is null ? _create!() : _later!.Get(scope);
}
