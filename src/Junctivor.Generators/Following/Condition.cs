namespace Junctivor.Generators.Following;

/// <summary>That something the program decides at run time comes out one way.</summary>
/// <param name="Flag">What decides it: equal for what is certain to come out the same.</param>
/// <param name="Value">How it comes out.</param>
internal sealed record Condition(object Flag, bool Value)
{
    /// <summary>That it comes out the other way.</summary>
    public Condition Negated => this with { Value = !Value };
}
