using System.Diagnostics.CodeAnalysis;
using Junctivor.Graph;

namespace Junctivor.Registering;

/// <summary>Starts the entries behind <c>Singleton</c>, <c>Scoped</c> and <c>Transient</c>.</summary>
internal static class RegistrationStart
{
    public static Registration<TService> Start<TService>(Level level, InstanceSource making, SourcePlace place)
        where TService : notnull => For<TService, TService>(level, making, place);

    public static Registration<object> Start(Level level, Type service, InstanceSource making, SourcePlace place) =>
        new(new RegistrationData { Service = service, Source = making, Level = level, Place = place });

    public static Registration<TClass> OfClass<TService, [DynamicallyAccessedMembers(Kept.Members)] TClass>(Level level, SourcePlace place)
        where TService : class
        where TClass : class, TService => For<TService, TClass>(level, new InstanceSource.OfClass(typeof(TClass)), place);

    public static Registration<object> OfClass(
        Level level, Type service, [DynamicallyAccessedMembers(Kept.Members)] Type implementation, SourcePlace place)
    {
        ArgumentNullException.ThrowIfNull(service);
        ArgumentNullException.ThrowIfNull(implementation);
        return Start(level, service, new InstanceSource.OfClass(implementation), place);
    }

    public static Registration<TService> OfFactory<TService>(
        Level level, Delegate factory, int parameterCount, Func<object?[], object?> call, SourcePlace place)
        where TService : notnull =>
        Start<TService>(level, new InstanceSource.OfFactory(typeof(TService), factory.Method, parameterCount, call), place);

    public static Registration<TService> OfAsyncFactory<TService>(
        Level level, Delegate factory, int parameterCount, Func<object?[], Task<object>> call, SourcePlace place)
        where TService : notnull =>
        Start<TService>(level, new InstanceSource.OfAsyncFactory(typeof(TService), factory.Method, parameterCount, call), place);

    public static Registration<TService> Decorating<TService>(
        Delegate factory, int parameterCount, Func<object?[], object?> call, SourcePlace place)
        where TService : class =>
        AsDecorator(OfFactory<TService>(Level.Transient, factory, parameterCount, call, place));

    /// <summary>The lifetime of a decorator is that of what it wraps; the one it starts with is never looked at.</summary>
    public static Registration<T> AsDecorator<T>(Registration<T> registration) => new(registration.Data with { IsDecorator = true });

    public static Registration<object> Incoming(Level level, Type service, SourcePlace place)
    {
        ArgumentNullException.ThrowIfNull(service);
        return Start(level, service, new InstanceSource.OfIncoming(service), place);
    }

    private static Registration<T> For<TService, T>(Level level, InstanceSource making, SourcePlace place)
        where TService : notnull => new(new RegistrationData
        {
            Service = typeof(TService),
            Source = making,
            Level = level,
            Place = place,
            Tokens = [TypeToken<TService>.Instance],
        });
}
