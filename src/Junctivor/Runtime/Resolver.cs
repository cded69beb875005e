using System.Diagnostics.CodeAnalysis;
using Junctivor.Graph;
using Junctivor.Plans;
using Junctivor.Runtime;

namespace Junctivor;

/// <summary>
/// What a <see cref="Container"/> and a <see cref="Scope"/> share: resolving, starting scopes, ending.
/// All members are safe for use by several threads.
/// </summary>
public abstract class Resolver : IAsyncDisposable, IDisposable
{
    private protected Resolver(PlanBook book, Resolver? outer, HandedOver values)
    {
        Book = book;
        Outer = outer;
        Values = values;
    }

    internal PlanBook Book { get; }

    /// <summary>What this is nested in; null for a container.</summary>
    internal Resolver? Outer { get; }

    internal HandedOver Values { get; }

    internal InstanceStore Store { get; } = new();

    /// <summary>How messages call it, with its article.</summary>
    internal abstract string Description { get; }

    /// <summary>Gives the service; makes it, and what it needs, where it is not there yet.</summary>
    /// <typeparam name="T">The service.</typeparam>
    /// <returns>The instance; it ends with the container or scope that it belongs to.</returns>
    /// <exception cref="WiringException">Nobody registers it (JV101), several do (JV202), it needs a scope (JV302), a value
    /// that was not handed over (JV105), or itself (JV201).</exception>
    /// <exception cref="ConstructionException">A constructor or factory threw.</exception>
    /// <exception cref="ObjectDisposedException">The container or scope has ended.</exception>
    public T Resolve<T>()
        where T : notnull => (T)Resolve(typeof(T));

    /// <summary>Gives a service whose type is known only at run time.</summary>
    /// <param name="service">The service.</param>
    /// <returns>The instance; it ends with the container or scope that it belongs to.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="service"/> is null.</exception>
    /// <exception cref="WiringException">Nobody registers it (JV101), several do (JV202), it needs a scope (JV302), a value
    /// that was not handed over (JV105), or itself (JV201).</exception>
    /// <exception cref="ConstructionException">A constructor or factory threw.</exception>
    /// <exception cref="ObjectDisposedException">The container or scope has ended.</exception>
    public object Resolve(Type service)
    {
        ArgumentNullException.ThrowIfNull(service);
        ThrowIfEnded();
        return Construction.Run(Book.Require(service), this);
    }

    /// <summary>Gives the service if anybody registers it.</summary>
    /// <typeparam name="T">The service.</typeparam>
    /// <param name="service">The instance; null if nobody registers it.</param>
    /// <returns>Whether anybody registers it.</returns>
    /// <exception cref="WiringException">It is registered, and cannot be had here.</exception>
    /// <exception cref="ConstructionException">A constructor or factory threw.</exception>
    /// <exception cref="ObjectDisposedException">The container or scope has ended.</exception>
    public bool TryResolve<T>([NotNullWhen(true)] out T? service)
    {
        bool isRegistered = TryResolve(typeof(T), out object? found);
        service = isRegistered ? (T)found! : default;
        return isRegistered;
    }

    /// <summary>Gives a service whose type is known only at run time, if anybody registers it.</summary>
    /// <param name="type">The service.</param>
    /// <param name="service">The instance; null if nobody registers it.</param>
    /// <returns>Whether anybody registers it.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="type"/> is null.</exception>
    /// <exception cref="WiringException">It is registered, and cannot be had here.</exception>
    /// <exception cref="ConstructionException">A constructor or factory threw.</exception>
    /// <exception cref="ObjectDisposedException">The container or scope has ended.</exception>
    public bool TryResolve(Type type, [NotNullWhen(true)] out object? service)
    {
        ArgumentNullException.ThrowIfNull(type);
        ThrowIfEnded();
        service = Book.Find(type) is { } plan ? Construction.Run(plan, this) : null;
        return service is not null;
    }

    /// <summary>Starts a scope inside this container or scope.</summary>
    /// <param name="incoming">The values that the wiring promises with <c>Scoped.Incoming</c>; those of a scope around it
    /// hold on unless they are handed over anew.</param>
    /// <returns>The scope; end it with <c>await using</c>.</returns>
    /// <exception cref="WiringException">A value was handed over that the wiring does not promise (JV107).</exception>
    /// <exception cref="ObjectDisposedException">The container or scope has ended.</exception>
    public Scope StartScope(params ReadOnlySpan<Incoming> incoming)
    {
        ThrowIfEnded();
        return new Scope(this, Book.TakeValues(Level.Scoped, incoming));
    }

    /// <summary>Shows this container or scope as the base library's interface, which frameworks ask.</summary>
    /// <returns>A view that gives null for what nobody registers. It does not end what it shows.</returns>
    public IServiceProvider AsServiceProvider() => new ServiceProviderView(this);

    /// <summary>
    /// Ends everything that was made here, in reverse order of creation. What can end only asynchronously is left, and
    /// named in the exception: a call of <see cref="DisposeAsync"/> ends that too. A second call does nothing.
    /// </summary>
    /// <exception cref="AggregateException">Some threw, or can end only asynchronously; all were tried.</exception>
    public void Dispose()
    {
        Ending.End(Store, Description);
        GC.SuppressFinalize(this);
    }

    /// <summary>
    /// Ends everything that was made here, in reverse order of creation, asynchronously where there is a choice.
    /// A second call does nothing.
    /// </summary>
    /// <returns>What completes when all has ended.</returns>
    /// <exception cref="AggregateException">Some threw; all were tried.</exception>
    public ValueTask DisposeAsync()
    {
        GC.SuppressFinalize(this);
        return Ending.EndAsync(Store, Description);
    }

    /// <summary>The container or scope, here or around here, that instances of a level belong to; null where there is none.</summary>
    internal abstract Resolver? HomeOf(Level level);

    internal virtual void ThrowIfEnded()
    {
        if (Store.HasEnded)
        {
            throw Ended();
        }
    }

    internal ObjectDisposedException Ended() =>
        new(GetType().Name, $"{char.ToUpperInvariant(Description[0])}{Description[1..]} has ended: nothing can be resolved from it any more.");
}
