using System.ComponentModel;

namespace Junctivor.CompilerServices;

/// <summary>
/// A wiring or scope level that an assembly records, so that the compiler can check wirings of other projects that include it.
/// The package writes it while the assembly is compiled; nothing reads it at run time. Immutable.
/// </summary>
/// <param name="member">The property, method or field, as documentation comments identify it.</param>
/// <param name="text">The registrations, in the form that docs/compile-time.md describes.</param>
[AttributeUsage(AttributeTargets.Assembly, AllowMultiple = true)]
[EditorBrowsable(EditorBrowsableState.Never)]
public sealed class FollowedWiringAttribute(string member, string text) : Attribute
{
    /// <summary>The property, method or field, as documentation comments identify it: <c>P:Harbour.Ledger.LedgerModule.Wiring</c>.
    /// </summary>
    public string Member { get; } = member;

    /// <summary>The registrations, a line for each fact; the first line is the version.</summary>
    public string Text { get; } = text;
}
