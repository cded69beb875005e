namespace Junctivor.Cli.Loading;

/// <summary>A wiring that is marked to be checked, under the name that it is checked by.</summary>
internal sealed record FoundWiring(string Name, Wiring Wiring);
