using System.Collections;
using System.Diagnostics;

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
[DebuggerDisplay("{DebuggerText,nq}")]
public sealed partial class Wiring : IReadOnlyCollection<Registration>
{
    private readonly List<Registration> _registrations = [];

    /// <summary>The number of registrations.</summary>
    public int Count => _registrations.Count;

    private string DebuggerText => Count == 1 ? "Wiring: 1 registration" : $"Wiring: {Count} registrations";

    /// <summary>Adds a registration at the end.</summary>
    /// <param name="registration">The registration; the same object counts once.</param>
    /// <exception cref="ArgumentNullException"><paramref name="registration"/> is null.</exception>
    public void Add(Registration registration)
    {
        ArgumentNullException.ThrowIfNull(registration);
        _registrations.Add(registration);
    }

    /// <summary>Includes a module on a condition, to be spread: <c>.. Wiring.If(rehearsal, [ … ])</c>.</summary>
    /// <param name="condition">Whether to include it.</param>
    /// <param name="wiring">The module.</param>
    /// <returns>The module, or an empty wiring.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="wiring"/> is null.</exception>
    public static Wiring If(bool condition, Wiring wiring)
    {
        ArgumentNullException.ThrowIfNull(wiring);
        return condition ? wiring : [];
    }

    /// <summary>Includes a module on a condition, to be spread: <c>.. Wiring.If(rehearsal, () => [ … ])</c>. A module that is left out is
    /// not created.</summary>
    /// <param name="condition">Whether to include it.</param>
    /// <param name="wiring">Creates the module.</param>
    /// <returns>The module, or an empty wiring.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="wiring"/> is null.</exception>
    public static Wiring If(bool condition, Func<Wiring> wiring)
    {
        ArgumentNullException.ThrowIfNull(wiring);
        return condition ? wiring() : [];
    }

    /// <summary>Enumerates the registrations in the order of the wiring.</summary>
    /// <returns>An enumerator over the registrations.</returns>
    public IEnumerator<Registration> GetEnumerator() => _registrations.GetEnumerator();

    IEnumerator IEnumerable.GetEnumerator() => GetEnumerator();
}
