namespace Junctivor;

/// <summary>Selects the registration with this mark, for a parameter or property.</summary>
/// <typeparam name="TMark">The mark: any class that is not static.</typeparam>
[AttributeUsage(AttributeTargets.Parameter | AttributeTargets.Property)]
public sealed class MarkedAttribute<TMark> : Attribute;
