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

    /// <summary>Whether it stands for everything that a host has.</summary>
    internal bool IsWholeHost { get; private init; }

    private string DebuggerText => $"Incoming {TypeNames.Short(Service)}{(Mark is null ? "" : $" marked {Mark}")}: {Content}";

    /// <summary>Supplies a value for exactly the type <typeparamref name="T"/>.</summary>
    /// <typeparam name="T">The declared type.</typeparam>
    /// <param name="value">The value. The caller disposes it, unless the declaration has <c>DisposeAtEnd</c>.</param>
    /// <returns>The value, for <c>Build</c>, <c>StartScope</c> and the like.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="value"/> is null.</exception>
    public static Incoming Value<T>(T value)
        where T : notnull
    {
        ArgumentNullException.ThrowIfNull(value);
        return new Incoming(typeof(T), value, null);
    }

    /// <summary>Supplies a value for exactly the type <typeparamref name="T"/> that is read when it is first resolved, such as the user of
    /// a request, who is known only after the request was authenticated.</summary>
    /// <typeparam name="T">The declared type.</typeparam>
    /// <param name="value">Returns the value; called at most once, unless it throws, and never if nothing resolves the value. An exception
    /// is thrown by the call. The caller disposes the value, unless the declaration has <c>DisposeAtEnd</c>.</param>
    /// <returns>The value, for <c>Build</c>, <c>StartScope</c> and the like. Use it for one call: the value is kept in it.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="value"/> is null.</exception>
    public static Incoming WhenRequested<T>(Func<T> value)
        where T : notnull
    {
        ArgumentNullException.ThrowIfNull(value);
        return new Incoming(typeof(T), new DeferredValue(() => value()), null);
    }

    /// <summary>Supplies a value for exactly a type known only at run time.</summary>
    /// <param name="service">The declared type.</param>
    /// <param name="value">The value. The caller disposes it, unless the declaration has <c>DisposeAtEnd</c>.</param>
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

    /// <summary>
    /// Supplies every value that the wiring declares with <c>Singleton.Incoming&lt;T&gt;()</c>, without a mark, and that the host has: its
    /// loggers, its configuration, its environment and so on. The host is asked only for declared values that are not supplied otherwise.
    /// What it does not have is JV105, as if nothing was supplied.
    /// </summary>
    /// <param name="services">The services of the host, such as <c>app.Services</c>. The host goes on disposing them, unless a
    /// declaration has <c>DisposeAtEnd</c>.</param>
    /// <returns>The values, for <c>Build</c>; and for <see cref="Container.Supply(Incoming)"/>, where they are declared with
    /// <c>SuppliedLater</c>.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="services"/> is null.</exception>
    /// <example>
    /// <code>
    /// await using WebApplication app = builder.Build();
    /// await using Container container = wiring.Build(Incoming.FromHost(app.Services));
    /// </code>
    /// </example>
    public static Incoming FromHost(IServiceProvider services)
    {
        ArgumentNullException.ThrowIfNull(services);
        return new Incoming(typeof(IServiceProvider), services, null) { IsWholeHost = true };
    }

    /// <summary>Supplies it for the declaration with this mark.</summary>
    /// <typeparam name="TMark">The mark of the declaration.</typeparam>
    /// <returns>A copy with the mark.</returns>
    /// <exception cref="InvalidOperationException">It is from <see cref="FromHost"/>.</exception>
    public Incoming Marked<TMark>() => Marked(typeof(TMark));

    /// <summary>Supplies it for the declaration with this mark.</summary>
    /// <param name="mark">The mark of the declaration.</param>
    /// <returns>A copy with the mark.</returns>
    /// <exception cref="ArgumentException"><paramref name="mark"/> is null or empty.</exception>
    /// <exception cref="InvalidOperationException">It is from <see cref="FromHost"/>.</exception>
    public Incoming Marked(string mark)
    {
        ArgumentException.ThrowIfNullOrEmpty(mark);
        return MarkedWith(mark);
    }

    /// <summary>Supplies it for the declaration with this mark.</summary>
    /// <param name="mark">The mark of the declaration.</param>
    /// <returns>A copy with the mark.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="mark"/> is null.</exception>
    /// <exception cref="InvalidOperationException">It is from <see cref="FromHost"/>.</exception>
    public Incoming Marked(Type mark)
    {
        ArgumentNullException.ThrowIfNull(mark);
        return MarkedWith(mark);
    }

    private Incoming MarkedWith(object mark) => IsWholeHost
        ? throw new InvalidOperationException("The values of a host have no mark: supply a marked value with Incoming.Value.")
        : new Incoming(Service, Content, mark);
}
