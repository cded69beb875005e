namespace Junctivor;

/// <summary>
/// Marks a public static method that returns the entry points of a wiring, such as its endpoints, for <c>junctivor check</c>: a method
/// that returns <see cref="EntryPoint"/>s, and has no parameter, or a <see cref="Container"/> of the wiring. That container can be
/// asked for what the wiring provides, even if the wiring has faults; no values are supplied to it. Several such attributes name
/// several wirings.
/// </summary>
/// <param name="wiring">The name of the wiring, as <see cref="CheckedWiringAttribute"/> gives it; empty if the assembly has only
/// one.</param>
[AttributeUsage(AttributeTargets.Method, AllowMultiple = true)]
public sealed class CheckedEntryPointsAttribute(string wiring = "") : Attribute
{
    /// <summary>The name of the wiring; empty for the only one of the assembly.</summary>
    public string Wiring { get; } = wiring;
}
