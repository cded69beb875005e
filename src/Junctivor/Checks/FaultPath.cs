using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>Builds the path of a fault, line by line.</summary>
internal sealed class FaultPath(ServiceGraph graph)
{
    private readonly List<FaultStep> _steps = [];

    public IReadOnlyList<FaultStep> Path => _steps;

    /// <summary>A registration, as itself.</summary>
    public FaultPath Node(Node node, int depth = 0) => Add(depth, null, node.Name, node.Lifetime, node);

    /// <summary>What a parameter requires, with the registration that answers.</summary>
    public FaultPath Dependency(Dependency dependency, Node answer, int depth) =>
        Add(depth, dependency.Parameter.Name, Asked(dependency.Parameter), answer.Lifetime, answer);

    /// <summary>What a parameter requires where nothing answers, or more than one.</summary>
    public FaultPath Dependency(Dependency dependency, string remark, int depth) =>
        Add(depth, dependency.Parameter.Name, Asked(dependency.Parameter), remark, null);

    /// <summary>A registration that is being created for a parameter; null if user code resolved it.</summary>
    public FaultPath Made(Node node, string? parameter, int depth) => Add(depth, parameter, node.Name, node.Lifetime, node);

    /// <summary>A line with words of its own.</summary>
    public FaultPath Line(string name, int depth = 0, string lifetime = "", Node? node = null) => Add(depth, null, name, lifetime, node);

    /// <summary>Several ways down from one node, what they share shown once.</summary>
    public FaultPath Tree(IReadOnlyList<IReadOnlyList<Edge>> paths)
    {
        ILookup<Node, Edge> below = paths.SelectMany(path => path).Distinct().ToLookup(edge => edge.From);
        Node(paths[0][0].From);
        Stack<(Edge Edge, int Depth)> open = new(below[paths[0][0].From].Reverse().Select(edge => (edge, 1)));
        while (open.Count > 0)
        {
            (Edge edge, int depth) = open.Pop();
            Dependency(edge.Dependency, edge.To, depth);
            foreach (Edge next in below[edge.To].Reverse())
            {
                open.Push((next, depth + 1));
            }
        }

        return this;
    }

    /// <summary>A whole way down, each step below the one before it.</summary>
    public FaultPath Chain(IEnumerable<Edge> edges)
    {
        int depth = 0;
        foreach (Edge edge in edges)
        {
            if (depth == 0)
            {
                Node(edge.From);
            }

            Dependency(edge.Dependency, edge.To, ++depth);
        }

        return this;
    }

    private static string Asked(Parameter parameter) => new ServiceId(parameter.Type, parameter.Mark).ToString();

    private FaultPath Add(int depth, string? parameter, string name, string lifetime, Node? node)
    {
        SourcePlace place = node?.Place ?? default;
        _steps.Add(
            new FaultStep(
                depth, parameter, name, lifetime, place.File ?? "", place.Line,
                SourcePlaceText.Show(place, graph.SharedFolder))
            { Node = node });
        return this;
    }
}
