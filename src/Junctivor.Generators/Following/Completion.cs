using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Following;

/// <summary>Whether the code behind a statement runs.</summary>
/// <param name="When">The conditions under which it runs; null if it never runs.</param>
/// <param name="IsThrown">Whether it never runs because an exception is thrown: then there is no wiring.</param>
/// <param name="Unclear">The place where the code is left in some cases that are not distinguished; null if there is none.</param>
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
