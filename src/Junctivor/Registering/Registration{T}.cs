using Junctivor.Registering;

namespace Junctivor;

/// <summary>
/// One entry of a <see cref="Wiring"/>, and what can be said further of it. Every verb returns a changed copy,
/// so a registration can be shared.
/// </summary>
/// <typeparam name="T">The class, or what the factory returns; <see cref="object"/> for types known only at run time.</typeparam>
public sealed class Registration<T> : Registration
{
    internal Registration(Entry entry)
        : base(entry)
    {
    }

    /// <summary>Lets the same instance serve another service too. A class that does not implement it is JV104.</summary>
    /// <typeparam name="TService">The further service.</typeparam>
    /// <returns>A copy that serves <typeparamref name="TService"/> as well.</returns>
    public Registration<T> Also<TService>()
        where TService : class => Also(typeof(TService), Wrappers<TService>.Instance);

    /// <summary>Lets the same instance serve another service too, known only at run time.</summary>
    /// <param name="service">The further service.</param>
    /// <returns>A copy that serves <paramref name="service"/> as well.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="service"/> is null.</exception>
    public Registration<T> Also(Type service)
    {
        ArgumentNullException.ThrowIfNull(service);
        return Also(service, null);
    }

    private Registration<T> Also(Type service, Wrappers? wrappers) => new(Entry with
    {
        AlsoServes = [.. Entry.AlsoServes, service],
        Wrappers = wrappers is null ? Entry.Wrappers : [.. Entry.Wrappers, wrappers],
    });
}
