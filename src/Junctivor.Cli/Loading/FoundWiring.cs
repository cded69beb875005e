namespace Junctivor.Cli.Loading;

/// <summary>A wiring that is marked to be checked, under the name that it is checked by.</summary>
/// <param name="Name">The name.</param>
/// <param name="Wiring">The wiring.</param>
/// <param name="EntryPoints">What its assembly says that requests services from outside.</param>
internal sealed record FoundWiring(string Name, Wiring Wiring, IReadOnlyCollection<EntryPoint> EntryPoints)
{
    public CheckReport Check(BuildOptions options) => Wiring.Check(options, EntryPoints);
}
