using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Following;

/// <summary>Code that adds to a list.</summary>
/// <param name="Node">The call or assignment.</param>
/// <param name="Kind">How it does so.</param>
/// <param name="Parameter">The parameter that the list is passed for; null if it is not passed.</param>
internal sealed record ListAddition(IOperation Node, ListAdditionKind Kind, IParameterSymbol? Parameter);
