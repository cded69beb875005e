namespace Junctivor;

/// <summary>
/// A value that is handed over when a container or a scope starts. The wiring promises it with
/// <c>Singleton.Incoming&lt;T&gt;()</c> or <c>Scoped.Incoming&lt;T&gt;()</c>. Immutable.
/// </summary>
public sealed class Incoming
{
    private Incoming(Type service, object given, object? mark)
    {
        Service = service;
        Given = given;
        Mark = mark;
    }

    internal Type Service { get; }

    internal object Given { get; }

    /// <summary>A string or a type; null for none.</summary>
    internal object? Mark { get; }

    /// <summary>Hands over a value for exactly the type <typeparamref name="T"/>.</summary>
    /// <typeparam name="T">The type that the wiring promises.</typeparam>
    /// <param name="value">The value. Whoever hands it over ends it.</param>
    /// <returns>What <c>Build</c> and <c>StartScope</c> take.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="value"/> is null.</exception>
    public static Incoming Value<T>(T value)
        where T : notnull
    {
        ArgumentNullException.ThrowIfNull(value);
        return new Incoming(typeof(T), value, null);
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

        return new Incoming(service, value, null);
    }

    /// <summary>Hands it over for the promise with this mark.</summary>
    /// <typeparam name="TMark">The mark of the promise.</typeparam>
    /// <returns>A copy with the mark.</returns>
    public Incoming Marked<TMark>() => Marked(typeof(TMark));

    /// <summary>Hands it over for the promise with this mark.</summary>
    /// <param name="mark">The mark of the promise.</param>
    /// <returns>A copy with the mark.</returns>
    /// <exception cref="ArgumentException"><paramref name="mark"/> is null or empty.</exception>
    public Incoming Marked(string mark)
    {
        ArgumentException.ThrowIfNullOrEmpty(mark);
        return new(Service, Given, mark);
    }

    /// <summary>Hands it over for the promise with this mark.</summary>
    /// <param name="mark">The mark of the promise.</param>
    /// <returns>A copy with the mark.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="mark"/> is null.</exception>
    public Incoming Marked(Type mark)
    {
        ArgumentNullException.ThrowIfNull(mark);
        return new(Service, Given, mark);
    }
}
