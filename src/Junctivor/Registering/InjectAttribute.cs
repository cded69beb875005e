namespace Junctivor;

/// <summary>
/// Picks the constructor to call, where a class has several public ones; and marks a settable property that is filled
/// once the instance is constructed. Properties that are <c>required</c> are filled without it.
/// </summary>
[AttributeUsage(AttributeTargets.Constructor | AttributeTargets.Property)]
public sealed class InjectAttribute : Attribute;
