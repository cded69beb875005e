using System.Runtime.CompilerServices;
using Junctivor.Graph;

namespace Junctivor;

/// <summary>
/// A kind of scope of your own, such as a duty shift around requests. Its services are created once for each scope of the level,
/// and shared by the scopes inside it. Started with <see cref="Resolver.StartScope(ScopeLevel, ReadOnlySpan{Incoming})"/>.
/// Immutable, and so safe for use by several threads.
/// </summary>
/// <example>
/// <code>
/// ScopeLevel dutyShift = new("duty shift");
///
/// Wiring wiring = [dutyShift.Of&lt;DutyRoster&gt;(), Scoped.Of&lt;BookingDesk&gt;()];
/// using Scope shift = container.StartScope(dutyShift);
/// using Scope request = shift.StartScope();
/// </code>
/// </example>
public sealed partial class ScopeLevel
{
    /// <summary>Creates a level.</summary>
    /// <param name="name">Its name in messages.</param>
    /// <param name="within">The outer level, from whose scopes it is started; null if it is started from the container.</param>
    /// <param name="file">Filled in by the compiler: the source file of the call.</param>
    /// <param name="line">Filled in by the compiler: the line of the call.</param>
    /// <param name="variable">Filled in by the compiler: the field or property that keeps it, for the code that messages show.</param>
    /// <exception cref="ArgumentException"><paramref name="name"/> is null or blank.</exception>
    public ScopeLevel(
        string name, ScopeLevel? within = null, [CallerFilePath] string file = "", [CallerLineNumber] int line = 0,
        [CallerMemberName] string variable = "")
    {
        ArgumentException.ThrowIfNullOrWhiteSpace(name);
        Level = new Level(name, within?.Level, Level.IsNamedAfter(variable, name) ? variable : null);
        Within = within;
        File = file;
        Line = line;
    }

    /// <summary>Its name in messages.</summary>
    public string Name => Level.Name;

    /// <summary>The outer level, from whose scopes it is started; null if it is started from the container.</summary>
    public ScopeLevel? Within { get; }

    /// <summary>The source file in which it was created, as the compiler recorded it.</summary>
    public string File { get; }

    /// <summary>The line in <see cref="File"/>, counted from 1.</summary>
    public int Line { get; }

    internal Level Level { get; }

    /// <summary>The level, for people.</summary>
    /// <returns>Its name.</returns>
    public override string ToString() => Name;
}
