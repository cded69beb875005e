using System.ComponentModel;
using System.Runtime.CompilerServices;
using Junctivor.Runtime;

namespace Junctivor;

/// <summary>
/// Taken by something long-lived that works with something scoped: each run starts a scope, resolves a
/// <typeparamref name="T"/> in it, works with it, and ends the scope. Safe for use by several threads; each run has a
/// scope of its own.
/// </summary>
/// <typeparam name="T">What the work is done with.</typeparam>
/// <example>
/// <code>
/// public sealed class NightlyInvoicing(FreshScope&lt;IBerthLedger&gt; ledger)
/// {
///     public Task RunAsync() => ledger.RunAsync(fresh => fresh.InvoiceAsync());
/// }
/// </code>
/// </example>
public sealed class FreshScope<T>
    where T : notnull
{
    private readonly DeferredResolution<T>? _later;
    private readonly Func<T>? _make;

    /// <summary>Makes one for a unit test, without a container. It starts no scope, and ends nothing.</summary>
    /// <param name="make">Gives what each run works with.</param>
    /// <exception cref="ArgumentNullException"><paramref name="make"/> is null.</exception>
    public FreshScope(Func<T> make)
    {
        ArgumentNullException.ThrowIfNull(make);
        _make = make;
    }

    internal FreshScope(DeferredResolution<T> later) => _later = later;

    /// <summary>Works in a scope of its own.</summary>
    /// <param name="work">What to do.</param>
    /// <param name="incoming">The values that the wiring promises with <c>Scoped.Incoming</c>.</param>
    /// <exception cref="ArgumentNullException"><paramref name="work"/> is null.</exception>
    /// <exception cref="ResolveException">The scope or the service cannot be had.</exception>
    /// <exception cref="ConstructionException">A constructor or factory threw.</exception>
    /// <exception cref="AggregateException">Something in the scope did not end well, or can end only asynchronously: then its end has begun,
    /// and is not awaited. Where the work threw too, its exception is the first inside.</exception>
    /// <exception cref="ObjectDisposedException">What holds this has ended.</exception>
    public void Run(Action<T> work, params ReadOnlySpan<Incoming> incoming)
    {
        ArgumentNullException.ThrowIfNull(work);
        Scope? scope = _later?.Home.StartScope(incoming);
        try
        {
            work(Resolve(scope));
        }
        catch (Exception failure)
        {
            ScopedWork.EndBehind(failure, scope);
            throw;
        }

        ScopedWork.End(scope);
    }

    /// <summary>Works in a scope of its own, and gives what the work gave.</summary>
    /// <typeparam name="TResult">What the work gives.</typeparam>
    /// <param name="work">What to do. It must not give out what the scope made: that ends with the scope.</param>
    /// <param name="incoming">The values that the wiring promises with <c>Scoped.Incoming</c>.</param>
    /// <returns>What the work gave.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="work"/> is null.</exception>
    /// <exception cref="ResolveException">The scope or the service cannot be had.</exception>
    /// <exception cref="ConstructionException">A constructor or factory threw.</exception>
    /// <exception cref="AggregateException">Something in the scope did not end well, or can end only asynchronously: then its end has begun,
    /// and is not awaited. Where the work threw too, its exception is the first inside.</exception>
    /// <exception cref="ObjectDisposedException">What holds this has ended.</exception>
    public TResult Run<TResult>(Func<T, TResult> work, params ReadOnlySpan<Incoming> incoming)
    {
        ArgumentNullException.ThrowIfNull(work);
        Scope? scope = _later?.Home.StartScope(incoming);
        TResult result;
        try
        {
            result = work(Resolve(scope));
        }
        catch (Exception failure)
        {
            ScopedWork.EndBehind(failure, scope);
            throw;
        }

        ScopedWork.End(scope);
        return result;
    }

    /// <summary>Not for work that is awaited: its scope would be disposed while the work still runs. Use <c>RunAsync</c>.</summary>
    /// <param name="work">What to do.</param>
    /// <param name="incoming">The values that the wiring declares with <c>Scoped.Incoming</c>.</param>
    /// <returns>Never anything.</returns>
    /// <exception cref="NotSupportedException">Always; the compiler refuses the call.</exception>
    [Obsolete("The scope would be disposed while the work still runs. Await RunAsync instead.", error: true)]
    [EditorBrowsable(EditorBrowsableState.Never)]
    [OverloadResolutionPriority(1)]
    public Task Run(Func<T, Task> work, params ReadOnlySpan<Incoming> incoming) => throw new NotSupportedException("Await RunAsync instead.");

    /// <summary>Works in a scope of its own, and ends it asynchronously when the work is done.</summary>
    /// <param name="work">What to do.</param>
    /// <param name="incoming">The values that the wiring promises with <c>Scoped.Incoming</c>.</param>
    /// <returns>What completes when the work is done and the scope has ended. It carries what the work threw; and, where the scope did not end
    /// well, an <see cref="AggregateException"/> with what both threw, the work's first.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="work"/> is null.</exception>
    /// <exception cref="ResolveException">The scope cannot be had.</exception>
    /// <exception cref="ObjectDisposedException">What holds this has ended.</exception>
    [OverloadResolutionPriority(1)]
    public Task RunAsync(Func<T, Task> work, params ReadOnlySpan<Incoming> incoming)
    {
        ArgumentNullException.ThrowIfNull(work);
        return WorkAsync(_later?.Home.StartScopeAsync(incoming).AsTask(), async fresh =>
        {
            await work(fresh).ConfigureAwait(false);
            return true;
        });
    }

    /// <summary>Works in a scope of its own, ends it asynchronously when the work is done, and gives what the work gave.</summary>
    /// <typeparam name="TResult">What the work gives.</typeparam>
    /// <param name="work">What to do. It must not give out what the scope made: that ends with the scope.</param>
    /// <param name="incoming">The values that the wiring promises with <c>Scoped.Incoming</c>.</param>
    /// <returns>What the work gave, when the scope has ended. It carries what the work threw; and, where the scope did not end well, an
    /// <see cref="AggregateException"/> with what both threw, the work's first.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="work"/> is null.</exception>
    /// <exception cref="ResolveException">The scope cannot be had.</exception>
    /// <exception cref="ObjectDisposedException">What holds this has ended.</exception>
    [OverloadResolutionPriority(1)]
    public Task<TResult> RunAsync<TResult>(Func<T, Task<TResult>> work, params ReadOnlySpan<Incoming> incoming)
    {
        ArgumentNullException.ThrowIfNull(work);
        return WorkAsync(_later?.Home.StartScopeAsync(incoming).AsTask(), work);
    }

    /// <inheritdoc cref="RunAsync(Func{T, Task}, ReadOnlySpan{Incoming})"/>
    public Task RunAsync(Func<T, ValueTask> work, params ReadOnlySpan<Incoming> incoming)
    {
        ArgumentNullException.ThrowIfNull(work);
        return RunAsync(fresh => work(fresh).AsTask(), incoming);
    }

    /// <inheritdoc cref="RunAsync{TResult}(Func{T, Task{TResult}}, ReadOnlySpan{Incoming})"/>
    public Task<TResult> RunAsync<TResult>(Func<T, ValueTask<TResult>> work, params ReadOnlySpan<Incoming> incoming)
    {
        ArgumentNullException.ThrowIfNull(work);
        return RunAsync(fresh => work(fresh).AsTask(), incoming);
    }

    private async Task<TResult> WorkAsync<TResult>(Task<Scope>? starting, Func<T, Task<TResult>> work) => starting is null
        ? await work(_make!()).ConfigureAwait(false)
        : await ScopedWork.RunAsync(await starting.ConfigureAwait(false), scope => work(_later!.Get(scope))).ConfigureAwait(false);

    private T Resolve(Scope? scope) => scope is null ? _make!() : _later!.Get(scope);
}
