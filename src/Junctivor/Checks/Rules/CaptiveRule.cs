using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV301: something long-lived holds something that ends earlier, directly or through transients.</summary>
internal sealed class CaptiveRule : IRule
{
    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        nodes
            .Where(node => !node.Level.IsTransient && node.Level != Level.Scoped)
            .SelectMany(holder => HeldWays.From(graph, holder)
                .Where(way => way[way.Count - 1].To.Level.IsShorterThan(holder.Level))
                .Select(way => Captive(graph, holder, way)));

    private static Fault Captive(ServiceGraph graph, Node holder, IReadOnlyList<Edge> way)
    {
        Node held = way[way.Count - 1].To;
        TypeRef wanted = WantedOf(way[way.Count - 1], held);
        string lifetime = held.Level.Name;
        string life = holder.Level == Level.Singleton ? "the process" : $"the {holder.Level}";
        string through = way.Count == 1 ? "" : $", through {string.Join(" and ", way.Take(way.Count - 1).Select(edge => edge.To.Name))}";
        return new Fault
        {
            Code = "JV301",
            Name = "captive",
            Summary = $"{holder.Name} ({holder.Level}) holds {wanted.Name} ({lifetime}){through}",
            Path = new Steps(graph).Chain(way).Path,
            Remarks = [$"The first {wanted.Name} would serve every scope for as long as {life} lives."],
            Cures = [Cure(holder, held, way, wanted), $"register {holder.Name} with {RegistrationText.Start(held.Level)}"],
            Candidates = [holder.Name, held.Name],
            Order = holder.Order,
        };
    }

    private static string Cure(Node holder, Node held, IReadOnlyList<Edge> way, TypeRef wanted)
    {
        if (held.Kind == NodeKind.Incoming && way.Count == 1)
        {
            return $"pass the {wanted.Name} to the methods of {holder.Name} that work for one";
        }

        TypeRef worker = way.Count == 1 ? wanted : WantedOf(way[0], way[0].To);
        return $"take FreshScope<{worker.Name}> in {holder.Name} and do the work inside RunAsync";
    }

    /// <summary>The service that a step is about, without the lists and wrappers around it.</summary>
    private static TypeRef WantedOf(Edge step, Node node)
    {
        TypeRef asked = step.Need.Parameter.Type;
        return node.Services.Contains(asked) || step.Need.Supply is Supply.Single ? asked : node.Services[0];
    }
}
