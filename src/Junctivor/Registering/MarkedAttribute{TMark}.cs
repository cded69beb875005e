namespace Junctivor;

/// <summary>Requests the registration with this mark, on a parameter or property.</summary>
/// <typeparam name="TMark">The mark: any class that is not static.</typeparam>
[AttributeUsage(AttributeTargets.Parameter | AttributeTargets.Property)]
public sealed class MarkedAttribute<TMark> : Attribute;
