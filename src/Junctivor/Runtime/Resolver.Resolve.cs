using System.Diagnostics.CodeAnalysis;
using System.Runtime.CompilerServices;
using Junctivor.Runtime;

namespace Junctivor;

/// <content>The methods that resolve services.</content>
public abstract partial class Resolver
{
    /// <summary>Resolves a service: returns the existing instance, or creates one with its dependencies.</summary>
    /// <typeparam name="T">The service.</typeparam>
    /// <returns>The instance; it is disposed with the container or scope that it belongs to.</returns>
    /// <exception cref="ResolveException">It is not registered (JV101), or several times (JV202); it needs a scope (JV302), a value
    /// that was not supplied (JV105), or itself (JV201).</exception>
    /// <exception cref="ConstructionException">A constructor or factory threw.</exception>
    /// <exception cref="ConstructionTimeoutException">Another thread has been creating it for longer than
    /// <see cref="BuildOptions.ConstructionTimeout"/>.</exception>
    /// <exception cref="ObjectDisposedException">The container or scope is disposed.</exception>
    public T Resolve<T>()
        where T : notnull => WrapperFactory<T>.As(ResolveUnmarked(typeof(T).TypeHandle.Value));

    /// <summary>Resolves a service with a mark.</summary>
    /// <typeparam name="T">The service.</typeparam>
    /// <param name="mark">The mark.</param>
    /// <returns>The instance; it is disposed with the container or scope that it belongs to.</returns>
    /// <inheritdoc cref="Resolve{T}()" path="/exception"/>
    public T Resolve<T>(string mark)
        where T : notnull => (T)ResolveMarked(typeof(T), NotNull(mark));

    /// <summary>Resolves a service with a mark.</summary>
    /// <typeparam name="T">The service.</typeparam>
    /// <param name="mark">The mark.</param>
    /// <returns>The instance; it is disposed with the container or scope that it belongs to.</returns>
    /// <inheritdoc cref="Resolve{T}()" path="/exception"/>
    public T Resolve<T>(Type mark)
        where T : notnull => (T)ResolveMarked(typeof(T), NotNull(mark));

    /// <summary>Resolves a service with a mark.</summary>
    /// <typeparam name="TService">The service.</typeparam>
    /// <typeparam name="TMark">The mark.</typeparam>
    /// <returns>The instance; it is disposed with the container or scope that it belongs to.</returns>
    /// <inheritdoc cref="Resolve{T}()" path="/exception"/>
    public TService ResolveMarked<TService, TMark>()
        where TService : notnull => (TService)ResolveMarked(typeof(TService), typeof(TMark));

    /// <summary>Resolves a service whose type is known only at run time.</summary>
    /// <param name="service">The service.</param>
    /// <returns>The instance; it is disposed with the container or scope that it belongs to.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="service"/> is null.</exception>
    /// <inheritdoc cref="Resolve{T}()" path="/exception"/>
    public object Resolve(Type service) => ResolveUnmarked(NotNull(service).TypeHandle.Value);

    /// <summary>Resolves a service with a mark, whose type is known only at run time.</summary>
    /// <param name="service">The service.</param>
    /// <param name="mark">The mark.</param>
    /// <returns>The instance; it is disposed with the container or scope that it belongs to.</returns>
    /// <exception cref="ArgumentNullException">An argument is null.</exception>
    /// <inheritdoc cref="Resolve{T}()" path="/exception"/>
    public object Resolve(Type service, string mark) => ResolveMarked(NotNull(service), NotNull(mark));

    /// <summary>Resolves a service with a mark, whose type is known only at run time.</summary>
    /// <param name="service">The service.</param>
    /// <param name="mark">The mark.</param>
    /// <returns>The instance; it is disposed with the container or scope that it belongs to.</returns>
    /// <exception cref="ArgumentNullException">An argument is null.</exception>
    /// <inheritdoc cref="Resolve{T}()" path="/exception"/>
    public object Resolve(Type service, Type mark) => ResolveMarked(NotNull(service), NotNull(mark));

    /// <summary>Resolves a service if it is registered.</summary>
    /// <typeparam name="T">The service.</typeparam>
    /// <param name="service">The instance; null if it is not registered.</param>
    /// <returns>Whether it is registered.</returns>
    /// <exception cref="ResolveException">It is registered, but cannot be resolved here.</exception>
    /// <exception cref="ConstructionException">A constructor or factory threw.</exception>
    /// <exception cref="ObjectDisposedException">The container or scope is disposed.</exception>
    public bool TryResolve<T>([NotNullWhen(true)] out T? service) => TryResolveMarked(null, out service);

    /// <summary>Resolves a service with a mark, if it is registered.</summary>
    /// <typeparam name="T">The service.</typeparam>
    /// <param name="mark">The mark.</param>
    /// <param name="service">The instance; null if it is not registered.</param>
    /// <returns>Whether it is registered.</returns>
    /// <inheritdoc cref="TryResolve{T}(out T)" path="/exception"/>
    public bool TryResolve<T>(string mark, [NotNullWhen(true)] out T? service) => TryResolveMarked(NotNull(mark), out service);

    /// <summary>Resolves a service with a mark, if it is registered.</summary>
    /// <typeparam name="T">The service.</typeparam>
    /// <param name="mark">The mark.</param>
    /// <param name="service">The instance; null if it is not registered.</param>
    /// <returns>Whether it is registered.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="mark"/> is null.</exception>
    /// <inheritdoc cref="TryResolve{T}(out T)" path="/exception"/>
    public bool TryResolve<T>(Type mark, [NotNullWhen(true)] out T? service) => TryResolveMarked(NotNull(mark), out service);

    /// <summary>Resolves a service with a mark, if it is registered.</summary>
    /// <typeparam name="TService">The service.</typeparam>
    /// <typeparam name="TMark">The mark.</typeparam>
    /// <param name="service">The instance; null if it is not registered.</param>
    /// <returns>Whether it is registered.</returns>
    /// <inheritdoc cref="TryResolve{T}(out T)" path="/exception"/>
    public bool TryResolveMarked<TService, TMark>([NotNullWhen(true)] out TService? service) =>
        TryResolveMarked(typeof(TMark), out service);

    /// <summary>Resolves a service whose type is known only at run time, if it is registered.</summary>
    /// <param name="type">The service.</param>
    /// <param name="service">The instance; null if it is not registered.</param>
    /// <returns>Whether it is registered.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="type"/> is null.</exception>
    /// <inheritdoc cref="TryResolve{T}(out T)" path="/exception"/>
    public bool TryResolve(Type type, [NotNullWhen(true)] out object? service) => TryResolveMarked(NotNull(type), null, out service);

    /// <summary>Resolves a service with a mark, whose type is known only at run time, if it is registered.</summary>
    /// <param name="type">The service.</param>
    /// <param name="mark">The mark.</param>
    /// <param name="service">The instance; null if it is not registered.</param>
    /// <returns>Whether it is registered.</returns>
    /// <exception cref="ArgumentNullException">An argument is null.</exception>
    /// <inheritdoc cref="TryResolve{T}(out T)" path="/exception"/>
    public bool TryResolve(Type type, string mark, [NotNullWhen(true)] out object? service) =>
        TryResolveMarked(NotNull(type), NotNull(mark), out service);

    /// <summary>Resolves a service with a mark, whose type is known only at run time, if it is registered.</summary>
    /// <param name="type">The service.</param>
    /// <param name="mark">The mark.</param>
    /// <param name="service">The instance; null if it is not registered.</param>
    /// <returns>Whether it is registered.</returns>
    /// <exception cref="ArgumentNullException">An argument is null.</exception>
    /// <inheritdoc cref="TryResolve{T}(out T)" path="/exception"/>
    public bool TryResolve(Type type, Type mark, [NotNullWhen(true)] out object? service) =>
        TryResolveMarked(NotNull(type), NotNull(mark), out service);

    /// <summary>Whether the wiring provides a service. Creates nothing.</summary>
    /// <typeparam name="T">The service.</typeparam>
    /// <returns>Whether <see cref="TryResolve{T}(out T)"/> would find it. A service that is found may still fail to resolve here, as it
    /// needs a scope or a value.</returns>
    /// <exception cref="ObjectDisposedException">The container or scope is disposed.</exception>
    public bool Knows<T>() => Knows(typeof(T));

    /// <summary>Whether the wiring provides a service, for a type known only at run time. Creates nothing.</summary>
    /// <param name="service">The service.</param>
    /// <returns>Whether <see cref="TryResolve(Type, out object)"/> would find it. A service that is found may still fail to resolve here,
    /// as it needs a scope or a value.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="service"/> is null.</exception>
    /// <exception cref="ObjectDisposedException">The container or scope is disposed.</exception>
    public bool Knows(Type service)
    {
        ArgumentNullException.ThrowIfNull(service);
        ThrowIfDisposed();
        return Plans.Knows(service, null);
    }

    /// <summary>Whether the wiring provides a service with this mark. Creates nothing.</summary>
    /// <param name="service">The service.</param>
    /// <param name="mark">The mark of its registration.</param>
    /// <returns>Whether <see cref="TryResolve(Type, string, out object)"/> would find it.</returns>
    /// <exception cref="ArgumentNullException">An argument is null.</exception>
    /// <exception cref="ObjectDisposedException">The container or scope is disposed.</exception>
    public bool Knows(Type service, string mark) => KnowsMarked(NotNull(service), NotNull(mark));

    /// <summary>Whether the wiring provides a service with this mark. Creates nothing.</summary>
    /// <param name="service">The service.</param>
    /// <param name="mark">The mark of its registration.</param>
    /// <returns>Whether <see cref="TryResolve(Type, Type, out object)"/> would find it.</returns>
    /// <exception cref="ArgumentNullException">An argument is null.</exception>
    /// <exception cref="ObjectDisposedException">The container or scope is disposed.</exception>
    public bool Knows(Type service, Type mark) => KnowsMarked(NotNull(service), NotNull(mark));

    private bool KnowsMarked(Type service, object mark)
    {
        ThrowIfDisposed();
        return Plans.Knows(service, mark);
    }

    private protected static T NotNull<T>(T argument, [CallerArgumentExpression(nameof(argument))] string name = "")
        where T : class
    {
        ArgumentNullException.ThrowIfNull(argument, name);
        return argument;
    }
}
