namespace Junctivor;

/// <summary>Asks for the registration with this mark.</summary>
/// <typeparam name="TMark">The mark: any class that is not static.</typeparam>
[AttributeUsage(AttributeTargets.Parameter | AttributeTargets.Property)]
public sealed class MarkedAttribute<TMark> : Attribute;
