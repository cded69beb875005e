using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor;

/// <summary>
/// The options that every registration has: a mark, a condition, and accepted faults. Each method returns a changed copy, so a
/// registration can be shared. Immutable, and so safe for use by several threads.
/// </summary>
/// <typeparam name="TSelf">The type of the copies.</typeparam>
public abstract class MarkableRegistration<TSelf> : Registration
    where TSelf : MarkableRegistration<TSelf>
{
    private protected MarkableRegistration(RegistrationData data)
        : base(data)
    {
    }

    /// <summary>Distinguishes it from other registrations of its service: only a parameter with the same mark receives it.
    /// On a decorator: decorates only the registrations with this mark.</summary>
    /// <typeparam name="TMark">The mark: any class that is not static.</typeparam>
    /// <returns>A copy with the mark, for all its services; a second mark replaces the first.</returns>
    public TSelf Marked<TMark>() => Marked(typeof(TMark));

    /// <inheritdoc cref="Marked{TMark}"/>
    /// <param name="mark">The mark. Case-sensitive.</param>
    /// <exception cref="ArgumentException"><paramref name="mark"/> is null or empty.</exception>
    public TSelf Marked(string mark)
    {
        ArgumentException.ThrowIfNullOrEmpty(mark);
        return With(Data with { Mark = mark });
    }

    /// <inheritdoc cref="Marked{TMark}"/>
    /// <param name="mark">The mark.</param>
    /// <exception cref="ArgumentNullException"><paramref name="mark"/> is null.</exception>
    public TSelf Marked(Type mark)
    {
        ArgumentNullException.ThrowIfNull(mark);
        return With(Data with { Mark = mark });
    }

    /// <summary>
    /// Accepts a warning or note of this registration: the report lists it separately, with the reason. It applies where this
    /// registration is on the path of the fault. An acceptance that matches no fault is a warning (JV504); an acceptance of a
    /// fault that stops the container from working is a fault (JV109).
    /// </summary>
    /// <param name="code">The code, such as <c>JV303</c>.</param>
    /// <param name="reason">Why it is accepted, for readers of the report.</param>
    /// <returns>A copy that accepts this code too.</returns>
    /// <exception cref="ArgumentException"><paramref name="code"/> or <paramref name="reason"/> is null or empty.</exception>
    public TSelf Accept(string code, string reason)
    {
        ArgumentException.ThrowIfNullOrEmpty(code);
        ArgumentException.ThrowIfNullOrEmpty(reason);
        return With(Data.Options with { Accepted = [.. Data.Options.Accepted, new Acceptance(code, reason)] });
    }

    /// <summary>Includes or excludes the registration.</summary>
    /// <param name="condition">False to leave the registration out of the wiring.</param>
    /// <returns>A copy that is included or not.</returns>
    public TSelf Enabled(bool condition) => With(Data with { IsEnabled = condition });

    internal override Registration From(PluginContext plugin) => With(Data with { Plugin = plugin });

    /// <summary>The same registration with other data.</summary>
    private protected abstract TSelf With(RegistrationData data);

    private protected TSelf With(RegistrationOptions options) => With(Data with { Options = options });

    private protected TSelf With(RegistrationFlags flag) => With(Data.Options.With(flag));
}
