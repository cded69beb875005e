using Junctivor.Runtime;

namespace Junctivor;

/// <content>What is handed out with a scope of its own.</content>
public abstract partial class Resolver
{
    /// <summary>Makes an object in a scope of its own, and gives both: whoever ends the loan, ends the scope.</summary>
    /// <typeparam name="T">The service.</typeparam>
    /// <param name="incoming">The values that the wiring promises with <c>Scoped.Incoming</c>.</param>
    /// <returns>The loan; end it with <c>await using</c>.</returns>
    /// <exception cref="ResolveException">The scope or the service cannot be had.</exception>
    /// <exception cref="ConstructionException">A constructor or factory threw; the scope has ended.</exception>
    /// <exception cref="ObjectDisposedException">The container or scope has ended.</exception>
    public Loan<T> Lend<T>(params ReadOnlySpan<Incoming> incoming)
        where T : notnull => Lend(StartScope(incoming), scope => scope.Resolve<T>());

    /// <summary>Makes an object of a type that is known only at run time in a scope of its own, and gives both.</summary>
    /// <param name="service">The service.</param>
    /// <param name="incoming">The values that the wiring promises with <c>Scoped.Incoming</c>.</param>
    /// <returns>The loan; end it with <c>await using</c>.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="service"/> is null.</exception>
    /// <exception cref="ResolveException">The scope or the service cannot be had.</exception>
    /// <exception cref="ConstructionException">A constructor or factory threw; the scope has ended.</exception>
    /// <exception cref="ObjectDisposedException">The container or scope has ended.</exception>
    public Loan<object> Lend(Type service, params ReadOnlySpan<Incoming> incoming)
    {
        ArgumentNullException.ThrowIfNull(service);
        return Lend(StartScope(incoming), scope => scope.Resolve(service));
    }

    /// <summary>The same as <see cref="Lend{T}(ReadOnlySpan{Incoming})"/>, with what the scope makes asynchronously awaited.</summary>
    /// <typeparam name="T">The service.</typeparam>
    /// <param name="cancellationToken">Handed on to the factories that ask for it.</param>
    /// <param name="incoming">The values that the wiring promises with <c>Scoped.Incoming</c>.</param>
    /// <returns>The loan; end it with <c>await using</c>.</returns>
    /// <exception cref="ResolveException">The scope or the service cannot be had.</exception>
    /// <exception cref="ConstructionException">A constructor or factory threw; the scope has ended.</exception>
    /// <exception cref="ObjectDisposedException">The container or scope has ended.</exception>
    public ValueTask<Loan<T>> LendAsync<T>(CancellationToken cancellationToken, params ReadOnlySpan<Incoming> incoming)
        where T : notnull => LendAsync<T>(StartScopeAsync(cancellationToken, incoming));

    private static Loan<T> Lend<T>(Scope scope, Func<Scope, T> resolve)
        where T : notnull
    {
        try
        {
            return new Loan<T>(scope, resolve(scope));
        }
        catch (Exception failure)
        {
            ScopedWork.EndUnused(scope, failure);
            throw;
        }
    }

    private static async ValueTask<Loan<T>> LendAsync<T>(ValueTask<Scope> starting)
        where T : notnull
    {
        Scope scope = await starting.ConfigureAwait(false);
        try
        {
            return new Loan<T>(scope, scope.Resolve<T>());
        }
        catch (Exception failure)
        {
            await ScopedWork.EndUnusedAsync(scope, failure).ConfigureAwait(false);
            throw;
        }
    }
}
