namespace Junctivor.Runtime;

/// <summary>Where an object is made.</summary>
/// <param name="Home">The container or scope that it is made in.</param>
/// <param name="Consumer">The class that asks for it; null from outside.</param>
/// <param name="Asking">The class that asks for what asks for it; null from outside.</param>
/// <param name="Arguments">The arguments of the call that constructs; empty where there are none.</param>
/// <param name="Construction">Who makes it step by step, and ends what is not finished; null in code, where nothing fails.</param>
internal readonly record struct ResolutionContext(Resolver Home, Type? Consumer, Type? Asking, object[] Arguments, Construction? Construction);
