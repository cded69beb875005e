namespace Junctivor;

/// <summary>
/// Marks a wiring for the command <c>junctivor check</c>: on a public static property or parameterless method
/// that returns a <see cref="Wiring"/>.
/// </summary>
/// <param name="name">The name of the wiring; empty for the name of the property or method.</param>
[AttributeUsage(AttributeTargets.Property | AttributeTargets.Method)]
public sealed class CheckedWiringAttribute(string name = "") : Attribute
{
    /// <summary>The name of the wiring; empty for the name of the property or method.</summary>
    public string Name { get; } = name;
}
