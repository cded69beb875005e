using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV102: a class that nobody can construct, or not with what a container can hand over.</summary>
internal sealed class NotConstructibleRule : IRule
{
    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        nodes.Select(node => Inspect(graph, node)).OfType<Fault>();

    private static Fault? Inspect(ServiceGraph graph, Node node)
    {
        TypeRef made = node.Made;
        string start = node.IsDecorator ? "Decorator" : RegistrationText.Start(node.Level);
        string factory = $"{start}.From(() => …), with whatever makes one";

        if (node.Kind == NodeKind.Class)
        {
            return made switch
            {
                { IsStatic: true } => Found(graph, node, "is static, so there are no instances", [$"register an ordinary class instead of {made.Name}"]),
                { IsInterface: true } => Found(graph, node, "is an interface", [ImplementationOf(graph, node, start), factory]),
                { IsAbstract: true } => Found(graph, node, "is abstract", [ImplementationOf(graph, node, start), factory]),
                { IsOpen: true } when !node.IsOpen => Found(graph, node, "has an open type argument", ["name its type arguments"]),
                { IsDelegate: true } => Found(graph, node, "is a delegate type", ["register the delegate itself with Singleton.Value(…)"]),
                _ when node.Constructors.Count == 0 => Found(graph, node, "has no public constructor", [$"make a constructor of {made.Name} public", factory]),
                _ => InspectParameters(graph, node),
            };
        }

        return InspectParameters(graph, node);
    }

    private static Fault? InspectParameters(ServiceGraph graph, Node node)
    {
        Parameter? impossible = node.Parameters.FirstOrDefault(parameter => parameter.Obstacle is not null);
        return impossible is null
            ? null
            : Found(
                graph,
                node,
                $"asks for {impossible.Type.Name} {impossible.Name}, which {impossible.Obstacle}",
                [$"take something else for {impossible.Name}, or construct {node.Made.Name} in a factory: {RegistrationText.Start(node.Level)}.From(…)"]);
    }

    private static string ImplementationOf(ServiceGraph graph, Node node, string start)
    {
        TypeRef? implementing = graph.Written
            .Where(other => other.Kind == NodeKind.Class && !other.Made.IsAbstract && !other.Made.IsInterface)
            .FirstOrDefault(other => other.Made.Serves(node.Made))?.Made;
        return $"{start}.Of<{node.Made.Name}, {implementing?.Name ?? "TheClass"}>(){(implementing is null ? ", with the class that implements it" : "")}";
    }

    private static Fault Found(ServiceGraph graph, Node node, string what, IReadOnlyList<string> cures) => new()
    {
        Code = "JV102",
        Name = "not-constructible",
        Summary = $"{node.Made.Name} {what}",
        Path = new Steps(graph).Node(node).Path,
        Cures = cures,
        Candidates = [node.Made.Name],
        Order = node.Order,
    };
}
