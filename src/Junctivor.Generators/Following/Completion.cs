using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Following;

/// <summary>Whether what stands behind a statement runs after it.</summary>
/// <param name="When">What must hold; null if it never runs.</param>
/// <param name="IsThrown">Whether it never runs because an exception is thrown: then there is no wiring.</param>
/// <param name="Unclear">Where it is left in some cases that are not told apart; null if all are.</param>
internal sealed record Completion(IReadOnlyList<Condition>? When, bool IsThrown = false, Location? Unclear = null)
{
    /// <summary>It runs in any case.</summary>
    public static readonly Completion Always = new([]);

    /// <summary>It is left by <c>return</c>, <c>break</c> or <c>continue</c>.</summary>
    public static readonly Completion Never = new(When: null);

    /// <summary>An exception is thrown.</summary>
    public static readonly Completion Thrown = new(null, IsThrown: true);

    public bool IsAlways => When is { Count: 0 } && Unclear is null;

    public static Completion Under(IReadOnlyList<Condition> conditions) => conditions.Count == 0 ? Always : new(conditions);

    /// <summary>It is left in some cases.</summary>
    public static Completion UnclearAt(IOperation operation) => new([], Unclear: operation.Syntax.GetLocation());
}
