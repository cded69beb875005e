using System.Diagnostics;
using Junctivor.Registering;

namespace Junctivor;

/// <summary>
/// A value that is supplied when a container is built or a scope is started. The wiring declares it with
/// <c>Singleton.Incoming&lt;T&gt;()</c> or <c>Scoped.Incoming&lt;T&gt;()</c>. Immutable.
/// </summary>
[DebuggerDisplay("{DebuggerText,nq}")]
public sealed class Incoming
{
    private Incoming(Type service, object given, object? mark)
    {
        Service = service;
        Content = given;
        Mark = mark;
    }

    internal Type Service { get; }

    internal object Content { get; }

    /// <summary>A string or a type; null for none.</summary>
    internal object? Mark { get; }

    private string DebuggerText => $"Incoming {TypeNames.Short(Service)}{(Mark is null ? "" : $" marked {Mark}")}: {Content}";

    /// <summary>Supplies a value for exactly the type <typeparamref name="T"/>.</summary>
    /// <typeparam name="T">The declared type.</typeparam>
    /// <param name="value">The value. The caller disposes of it, unless the declaration says <c>DisposeAtEnd</c>.</param>
    /// <returns>The value, for <c>Build</c>, <c>StartScope</c> and the like.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="value"/> is null.</exception>
    public static Incoming Value<T>(T value)
        where T : notnull
    {
        ArgumentNullException.ThrowIfNull(value);
        return new Incoming(typeof(T), value, null);
    }

    /// <summary>Supplies a value for exactly a type known only at run time.</summary>
    /// <param name="service">The declared type.</param>
    /// <param name="value">The value. The caller disposes of it, unless the declaration says <c>DisposeAtEnd</c>.</param>
    /// <returns>The value, for <c>Build</c>, <c>StartScope</c> and the like.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="service"/> or <paramref name="value"/> is null.</exception>
    /// <exception cref="ArgumentException"><paramref name="value"/> is not a <paramref name="service"/>.</exception>
    public static Incoming ValueAs(Type service, object value)
    {
        ArgumentNullException.ThrowIfNull(service);
        ArgumentNullException.ThrowIfNull(value);
        if (!service.IsInstanceOfType(value))
        {
            throw new ArgumentException(
                $"{value.GetType()} is not a {service}: supply a value of the type that the wiring declares.", nameof(value));
        }

        return new Incoming(service, value, null);
    }

    /// <summary>Supplies it for the declaration with this mark.</summary>
    /// <typeparam name="TMark">The mark of the declaration.</typeparam>
    /// <returns>A copy with the mark.</returns>
    public Incoming Marked<TMark>() => Marked(typeof(TMark));

    /// <summary>Supplies it for the declaration with this mark.</summary>
    /// <param name="mark">The mark of the declaration.</param>
    /// <returns>A copy with the mark.</returns>
    /// <exception cref="ArgumentException"><paramref name="mark"/> is null or empty.</exception>
    public Incoming Marked(string mark)
    {
        ArgumentException.ThrowIfNullOrEmpty(mark);
        return new(Service, Content, mark);
    }

    /// <summary>Supplies it for the declaration with this mark.</summary>
    /// <param name="mark">The mark of the declaration.</param>
    /// <returns>A copy with the mark.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="mark"/> is null.</exception>
    public Incoming Marked(Type mark)
    {
        ArgumentNullException.ThrowIfNull(mark);
        return new(Service, Content, mark);
    }
}
