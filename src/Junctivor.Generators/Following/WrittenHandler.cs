using Junctivor.Generators.Symbols;
using Junctivor.Graph;

namespace Junctivor.Generators.Following;

/// <summary>The handler of an endpoint: a call that a web server makes, with services from the scope of the request.</summary>
/// <param name="Label">How it is mapped, such as <c>MapGet("/tides")</c>.</param>
/// <param name="Services">Its parameters that are services.</param>
/// <param name="Possible">Its parameters that are services in a group of <c>MapWired</c>, if the wiring has them.</param>
/// <param name="Place">Where it is mapped.</param>
/// <param name="Location">Where a diagnostic stands.</param>
internal sealed record WrittenHandler(
    string Label, IReadOnlyList<WrittenParameter> Services, IReadOnlyList<WrittenParameter> Possible, SourcePlace Place,
    Microsoft.CodeAnalysis.Location Location);
