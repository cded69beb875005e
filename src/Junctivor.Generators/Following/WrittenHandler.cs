using Junctivor.Generators.Symbols;
using Junctivor.Graph;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Following;

/// <summary>The handler of an endpoint: a call that a web server makes, with services from the scope of the request.</summary>
/// <param name="Label">How it is mapped, such as <c>MapGet("/tides")</c>.</param>
/// <param name="Services">Its parameters that are services.</param>
/// <param name="Possible">Its parameters that are services in a group of <c>MapWired</c>, if the wiring has them.</param>
/// <param name="Place">Where it is mapped.</param>
/// <param name="Location">Where a diagnostic stands.</param>
internal sealed record WrittenHandler(
    string Label, IReadOnlyList<WrittenParameter> Services, IReadOnlyList<WrittenParameter> Possible, SourcePlace Place,
    Location Location)
{
    /// <summary>The class in the wiring whose endpoint it is; null for one that the program maps itself.</summary>
    public INamedTypeSymbol? Contributor { get; init; }

    /// <summary>Whether it is mapped whenever the program starts.</summary>
    public bool IsMapped { get; init; }
}
