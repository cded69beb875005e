namespace Junctivor.Runtime;

/// <summary>Where an object is created.</summary>
/// <param name="Home">The container or scope that it is created in.</param>
/// <param name="Consumer">The class that requires it; null from outside.</param>
/// <param name="Asking">The class that requires what requires it; null from outside.</param>
/// <param name="Arguments">The arguments of the call that constructs; empty if there are none.</param>
/// <param name="Construction">Who creates it step by step, and ends what is not finished; null in code, where nothing fails.</param>
internal readonly record struct ResolutionContext(
    Resolver Home, Type? Consumer, Type? Asking, object[] Arguments, Construction? Construction);
