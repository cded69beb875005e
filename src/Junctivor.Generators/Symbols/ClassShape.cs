namespace Junctivor.Generators.Symbols;

/// <summary>What the container needs to know of a class.</summary>
/// <param name="Constructors">The constructors that somebody could call: whether each carries <c>[Inject]</c>, and what it takes.</param>
/// <param name="Properties">The properties that are filled.</param>
internal sealed record ClassShape(
    IReadOnlyList<(bool IsChosen, IReadOnlyList<WrittenParameter> Parameters)> Constructors, IReadOnlyList<WrittenParameter> Properties);
