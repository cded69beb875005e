using Junctivor.Runtime;

namespace Junctivor;

/// <content>Objects that are handed out together with their own scope.</content>
public abstract partial class Resolver
{
    /// <summary>Creates an object in its own scope, and returns both: disposing the loan disposes the scope.</summary>
    /// <typeparam name="T">The service.</typeparam>
    /// <param name="incoming">The values that the wiring declares with <c>Scoped.Incoming</c>.</param>
    /// <returns>The loan; dispose it with <c>await using</c>.</returns>
    /// <exception cref="ResolveException">The scope or the service is not available.</exception>
    /// <exception cref="ConstructionException">A constructor or factory threw; the scope was disposed.</exception>
    /// <exception cref="ObjectDisposedException">The container or scope is disposed.</exception>
    public Loan<T> Lend<T>(params ReadOnlySpan<Incoming> incoming)
        where T : notnull => Lend(StartScope(incoming), scope => scope.Resolve<T>());

    /// <summary>Creates an object of a type that is known only at run time in its own scope, and returns both.</summary>
    /// <param name="service">The service.</param>
    /// <param name="incoming">The values that the wiring declares with <c>Scoped.Incoming</c>.</param>
    /// <returns>The loan; dispose it with <c>await using</c>.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="service"/> is null.</exception>
    /// <exception cref="ResolveException">The scope or the service is not available.</exception>
    /// <exception cref="ConstructionException">A constructor or factory threw; the scope was disposed.</exception>
    /// <exception cref="ObjectDisposedException">The container or scope is disposed.</exception>
    public Loan<object> Lend(Type service, params ReadOnlySpan<Incoming> incoming)
    {
        ArgumentNullException.ThrowIfNull(service);
        return Lend(StartScope(incoming), scope => scope.Resolve(service));
    }

    /// <summary>The same as <see cref="Lend{T}(ReadOnlySpan{Incoming})"/>, after the asynchronous factories of the scope.</summary>
    /// <typeparam name="T">The service.</typeparam>
    /// <param name="incoming">The values that the wiring declares with <c>Scoped.Incoming</c>.</param>
    /// <param name="cancellationToken">Passed to the factories that take a token.</param>
    /// <returns>The loan; dispose it with <c>await using</c>.</returns>
    /// <exception cref="ResolveException">The scope or the service is not available.</exception>
    /// <exception cref="ConstructionException">A constructor or factory threw; the scope was disposed.</exception>
    /// <exception cref="ObjectDisposedException">The container or scope is disposed.</exception>
    public ValueTask<Loan<T>> LendAsync<T>(ReadOnlySpan<Incoming> incoming = default, CancellationToken cancellationToken = default)
        where T : notnull => LendAsync(StartScopeAsync(incoming, cancellationToken), scope => scope.Resolve<T>());

    /// <summary>The same as <see cref="Lend(Type, ReadOnlySpan{Incoming})"/>, after the asynchronous factories of the scope.</summary>
    /// <param name="service">The service.</param>
    /// <param name="incoming">The values that the wiring declares with <c>Scoped.Incoming</c>.</param>
    /// <param name="cancellationToken">Passed to the factories that take a token.</param>
    /// <returns>The loan; dispose it with <c>await using</c>.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="service"/> is null.</exception>
    /// <exception cref="ResolveException">The scope or the service is not available.</exception>
    /// <exception cref="ConstructionException">A constructor or factory threw; the scope was disposed.</exception>
    /// <exception cref="ObjectDisposedException">The container or scope is disposed.</exception>
    public ValueTask<Loan<object>> LendAsync(
        Type service, ReadOnlySpan<Incoming> incoming = default, CancellationToken cancellationToken = default)
    {
        ArgumentNullException.ThrowIfNull(service);
        return LendAsync(StartScopeAsync(incoming, cancellationToken), scope => scope.Resolve(service));
    }

    private static Loan<T> Lend<T>(Scope scope, Func<Scope, T> resolve)
        where T : notnull
    {
        Loan<T>? loan = null;
        Exception? failure = null;
        try
        {
            return loan = new Loan<T>(scope, resolve(scope));
        }
        catch (Exception thrown) when (ScopedWork.IsNoted(thrown, out failure))
        {
            throw;
        }
        finally
        {
            if (loan is null)
            {
                ScopedWork.DisposeUnused(scope, failure!);
            }
        }
    }

    private static async ValueTask<Loan<T>> LendAsync<T>(ValueTask<Scope> starting, Func<Scope, T> resolve)
        where T : notnull
    {
        Scope scope = await starting.ConfigureAwait(false);
        try
        {
            return new Loan<T>(scope, resolve(scope));
        }
        catch (Exception failure)
        {
            await ScopedWork.DisposeUnusedAsync(scope, failure).ConfigureAwait(false);
            throw;
        }
    }
}
