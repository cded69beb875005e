namespace Junctivor;

/// <summary>Picks the constructor to call, where a class has several public ones.</summary>
[AttributeUsage(AttributeTargets.Constructor)]
public sealed class InjectAttribute : Attribute;
