using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Following;

/// <summary>A function that is written in a generic type: one for each closed type.</summary>
/// <param name="Syntax">The function.</param>
/// <param name="Around">The closed type.</param>
internal sealed record ClosedFunction(SyntaxNode Syntax, ITypeSymbol Around);
