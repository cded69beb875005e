namespace Junctivor;

/// <summary>
/// A value that is handed over when a container or a scope starts. The wiring promises it with
/// <c>Singleton.Incoming&lt;T&gt;()</c> or <c>Scoped.Incoming&lt;T&gt;()</c>. Immutable.
/// </summary>
public sealed class Incoming
{
    private Incoming(Type service, object given)
    {
        Service = service;
        Given = given;
    }

    internal Type Service { get; }

    internal object Given { get; }

    /// <summary>Hands over a value for exactly the type <typeparamref name="T"/>.</summary>
    /// <typeparam name="T">The type that the wiring promises.</typeparam>
    /// <param name="value">The value. Whoever hands it over ends it.</param>
    /// <returns>What <c>Build</c> and <c>StartScope</c> take.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="value"/> is null.</exception>
    public static Incoming Value<T>(T value)
        where T : notnull
    {
        ArgumentNullException.ThrowIfNull(value);
        return new Incoming(typeof(T), value);
    }

    /// <summary>Hands over a value for exactly a type known only at run time.</summary>
    /// <param name="service">The type that the wiring promises.</param>
    /// <param name="value">The value. Whoever hands it over ends it.</param>
    /// <returns>What <c>Build</c> and <c>StartScope</c> take.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="service"/> or <paramref name="value"/> is null.</exception>
    /// <exception cref="ArgumentException"><paramref name="value"/> is no <paramref name="service"/>.</exception>
    public static Incoming ValueAs(Type service, object value)
    {
        ArgumentNullException.ThrowIfNull(service);
        ArgumentNullException.ThrowIfNull(value);
        if (!service.IsInstanceOfType(value))
        {
            throw new ArgumentException($"{value.GetType()} is no {service}: hand over a value of the type that the wiring promises.", nameof(value));
        }

        return new Incoming(service, value);
    }
}
