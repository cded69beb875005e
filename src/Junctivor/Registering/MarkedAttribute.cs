namespace Junctivor;

/// <summary>Asks for the registration with this mark.</summary>
/// <param name="mark">The mark, compared letter by letter. A mark by type, <see cref="MarkedAttribute{TMark}"/>, cannot be mistyped.</param>
[AttributeUsage(AttributeTargets.Parameter | AttributeTargets.Property)]
public sealed class MarkedAttribute(string mark) : Attribute
{
    /// <summary>The mark.</summary>
    public string Mark { get; } = mark;
}
