using System.Collections;

namespace Junctivor;

/// <summary>
/// The list of registrations, built as a collection expression or with <see cref="Add"/>; a module is a wiring that
/// another one spreads. Adding is not safe while another thread uses it; checking and building several times is.
/// </summary>
/// <example>
/// <code>
/// Wiring wiring =
/// [
///     Singleton.Of&lt;ITideTable, AlmanacTideTable&gt;(),
///     Scoped.Of&lt;IBerthLedger, SqliteBerthLedger&gt;(),
///     Transient.Of&lt;BerthPlanner&gt;(),
/// ];
/// await using Container container = wiring.Build();
/// </code>
/// </example>
public sealed partial class Wiring : IReadOnlyCollection<Registration>
{
    private readonly List<Registration> _registrations = [];

    /// <summary>How many entries there are.</summary>
    public int Count => _registrations.Count;

    /// <summary>Puts an entry behind the others.</summary>
    /// <param name="registration">The entry; the same object twice counts once.</param>
    /// <exception cref="ArgumentNullException"><paramref name="registration"/> is null.</exception>
    public void Add(Registration registration)
    {
        ArgumentNullException.ThrowIfNull(registration);
        _registrations.Add(registration);
    }

    /// <summary>Gives a module on a condition, to be spread: <c>.. Wiring.If(rehearsal, [ … ])</c>.</summary>
    /// <param name="condition">Whether it counts.</param>
    /// <param name="wiring">The module.</param>
    /// <returns>The module, or an empty wiring.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="wiring"/> is null.</exception>
    public static Wiring If(bool condition, Wiring wiring)
    {
        ArgumentNullException.ThrowIfNull(wiring);
        return condition ? wiring : [];
    }

    /// <summary>Gives a module on a condition, to be spread: <c>.. Wiring.If(rehearsal, () => [ … ])</c>. A module that is left out is not created.</summary>
    /// <param name="condition">Whether it counts.</param>
    /// <param name="wiring">Creates the module.</param>
    /// <returns>The module, or an empty wiring.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="wiring"/> is null.</exception>
    public static Wiring If(bool condition, Func<Wiring> wiring)
    {
        ArgumentNullException.ThrowIfNull(wiring);
        return condition ? wiring() : [];
    }

    /// <summary>Goes through the entries in the order written.</summary>
    /// <returns>An enumerator over the entries.</returns>
    public IEnumerator<Registration> GetEnumerator() => _registrations.GetEnumerator();

    IEnumerator IEnumerable.GetEnumerator() => GetEnumerator();
}
