using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor;

/// <summary>
/// A registration that provides services: a class, a factory, a value, an incoming value or an alias. Immutable, and so safe
/// for use by several threads.
/// </summary>
/// <typeparam name="TSelf">The type of the copies.</typeparam>
public abstract class ServiceRegistration<TSelf> : MarkableRegistration<TSelf>
    where TSelf : ServiceRegistration<TSelf>
{
    private protected ServiceRegistration(RegistrationData data)
        : base(data)
    {
    }

    /// <summary>Provides a further service with the same instance. A class that does not implement it is JV104.</summary>
    /// <typeparam name="TService">The further service.</typeparam>
    /// <returns>A copy that also provides <typeparamref name="TService"/>.</returns>
    public TSelf Also<TService>()
        where TService : class => Also(typeof(TService), TypeToken.AreNeeded ? TypeToken<TService>.Instance : null);

    /// <summary>Provides a further service with the same instance, for a type known only at run time.</summary>
    /// <param name="service">The further service.</param>
    /// <returns>A copy that also provides <paramref name="service"/>.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="service"/> is null.</exception>
    public TSelf Also(Type service)
    {
        ArgumentNullException.ThrowIfNull(service);
        return Also(service, null);
    }

    /// <summary>
    /// Replaces all earlier registrations of the service with the same mark; JV203 if there is none. Each of several services
    /// is replaced by itself.
    /// </summary>
    /// <returns>A copy that replaces.</returns>
    public TSelf Replacing() => With(RegistrationFlags.Replacing);

    /// <summary>Uses this registration only if no other registration in the whole wiring provides the service with the same mark.</summary>
    /// <returns>A copy that is used as a fallback.</returns>
    public TSelf IfMissing() => With(RegistrationFlags.IfMissing);

    /// <summary>Makes this the default where one instance is required and several registrations provide it. Lists still contain
    /// all.</summary>
    /// <returns>A copy that is the default.</returns>
    public TSelf FirstChoice() => With(RegistrationFlags.FirstChoice);

    /// <summary>Provides the service to one consumer only, before all other registrations.</summary>
    /// <typeparam name="TConsumer">The consuming class: exactly this class.</typeparam>
    /// <returns>A copy for that class only.</returns>
    public TSelf OnlyFor<TConsumer>() => OnlyFor(typeof(TConsumer));

    /// <summary>Provides the service to one consumer only, before all other registrations.</summary>
    /// <param name="consumer">The consuming class: exactly this class, or every closed type of a generic definition.</param>
    /// <returns>A copy for that class only.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="consumer"/> is null.</exception>
    public TSelf OnlyFor(Type consumer)
    {
        ArgumentNullException.ThrowIfNull(consumer);
        return With(Data with { OnlyFor = consumer });
    }

    /// <summary>Declares that the service is resolved directly, by <c>Resolve</c> or a framework. If any registration is declared so,
    /// registrations that none of these depends on are reported as unused (JV501).</summary>
    /// <returns>A copy that is a root of the graph.</returns>
    public TSelf ResolvedDirectly() => With(RegistrationFlags.ResolvedDirectly);

    private TSelf Also(Type service, TypeToken? token) => With(Data with
    {
        AlsoServes = [.. Data.AlsoServes, service],
        Tokens = token is null ? Data.Tokens : [.. Data.Tokens, token],
    });
}
