namespace Junctivor;

/// <summary>
/// Selects the constructor of a class with several public ones; or a settable property that is set after construction.
/// Properties that are <c>required</c> are set without it.
/// </summary>
[AttributeUsage(AttributeTargets.Constructor | AttributeTargets.Property)]
public sealed class InjectAttribute : Attribute;
