namespace Junctivor;

/// <summary>
/// Selects the constructor of a class with several public ones; or a property that is set after construction. The property must be
/// public, with a public setter, and not static (JV102). Properties that are <c>required</c> are set without it.
/// </summary>
[AttributeUsage(AttributeTargets.Constructor | AttributeTargets.Property)]
public class InjectAttribute : Attribute;
