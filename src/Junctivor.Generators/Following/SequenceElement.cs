using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Following;

/// <summary>An element of a sequence that is known.</summary>
/// <param name="Value">The expression that gives it; null for an entry of a wiring.</param>
/// <param name="Frame">The evaluation of that expression.</param>
/// <param name="Conditions">What must hold for it to be in the sequence.</param>
/// <param name="Entry">The entry of a wiring; null for another value.</param>
internal sealed record SequenceElement(IOperation? Value, Frame Frame, IReadOnlyList<Condition> Conditions, WiringEntry? Entry = null)
{
    public SequenceElement When(IReadOnlyList<Condition> conditions) =>
        conditions.Count == 0 ? this : this with { Conditions = [.. conditions, .. Conditions] };
}
