namespace Junctivor;

/// <summary>
/// Lets the command <c>junctivor check</c> find a wiring: stands on a public static property or a public static method
/// without parameters that gives a <see cref="Wiring"/>.
/// </summary>
/// <param name="name">What the command calls it; empty for the name of the property or method.</param>
[AttributeUsage(AttributeTargets.Property | AttributeTargets.Method)]
public sealed class CheckedWiringAttribute(string name = "") : Attribute
{
    /// <summary>What the command calls it; empty for the name of the property or method.</summary>
    public string Name { get; } = name;
}
