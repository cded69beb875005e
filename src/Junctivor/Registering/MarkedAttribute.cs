namespace Junctivor;

/// <summary>Selects the registration with this mark, for a parameter or property.</summary>
/// <param name="mark">The mark. Case-sensitive. A mark by type, <see cref="MarkedAttribute{TMark}"/>, cannot be mistyped.</param>
[AttributeUsage(AttributeTargets.Parameter | AttributeTargets.Property)]
public sealed class MarkedAttribute(string mark) : Attribute
{
    /// <summary>The mark.</summary>
    public string Mark { get; } = mark;
}
