using System.Diagnostics.CodeAnalysis;
using Junctivor.Graph;

namespace Junctivor.Registering;

/// <summary>Creates the data of registrations.</summary>
internal static class RegistrationStart
{
    public static RegistrationData Start<TService>(Level level, InstanceSource source, SourcePlace place)
        where TService : notnull =>
        Start(level, typeof(TService), source, place, TypeToken.AreNeeded ? TypeToken<TService>.Instance : null);

    public static RegistrationData Start(Level level, Type service, InstanceSource source, SourcePlace place, TypeToken? token = null)
    {
        RegistrationData data = new() { Service = service, Source = source, Level = level, Place = place };
        return token is null ? data : data with { Tokens = [token] };
    }

    /// <summary>Takes types and not type arguments: each generic method costs a fresh process time for each of its type
    /// arguments.</summary>
    public static RegistrationData OfClass(
        Level level, Type service, [DynamicallyAccessedMembers(Kept.Members)] Type implementation, TypeToken? token, SourcePlace place) =>
        Start(level, service, new InstanceSource.OfClass(implementation), place, token);

    public static Registration<object> OfClass(
        Level level, Type service, [DynamicallyAccessedMembers(Kept.Members)] Type implementation, SourcePlace place)
    {
        ArgumentNullException.ThrowIfNull(service);
        ArgumentNullException.ThrowIfNull(implementation);
        return new(Start(level, service, new InstanceSource.OfClass(implementation), place));
    }

    public static Registration<TService> OfFactory<TService>(
        Level level, Delegate factory, int parameterCount, Func<object?[], object?> call, SourcePlace place)
        where TService : notnull =>
        new(Start<TService>(level, new InstanceSource.OfFactory(typeof(TService), factory.Method, parameterCount, call), place));

    public static Registration<TService> OfAsyncFactory<TService>(
        Level level, Delegate factory, int parameterCount, Func<object?[], Task<object>> call, SourcePlace place)
        where TService : notnull =>
        new(Start<TService>(level, new InstanceSource.OfAsyncFactory(typeof(TService), factory.Method, parameterCount, call), place));

    public static DecoratorRegistration Decorating<TService>(
        Delegate factory, int parameterCount, Func<object?[], object?> call, SourcePlace place)
        where TService : class =>
        AsDecorator(OfFactory<TService>(Level.Transient, factory, parameterCount, call, place).Data);

    /// <summary>A decorator takes the lifetime of what it decorates; the one it starts with is not used.</summary>
    public static DecoratorRegistration AsDecorator(RegistrationData data) => new(data with { IsDecorator = true });

    public static IncomingRegistration Incoming<TService>(Level level, SourcePlace place)
        where TService : notnull => new(Start<TService>(level, new InstanceSource.OfIncoming(typeof(TService)), place));

    public static IncomingRegistration Incoming(Level level, Type service, SourcePlace place)
    {
        ArgumentNullException.ThrowIfNull(service);
        return new(Start(level, service, new InstanceSource.OfIncoming(service), place));
    }
}
