using Junctivor.Checks;
using Junctivor.Graph;
using Junctivor.Reports.Graphs;

namespace Junctivor.Reports.Drawing;

/// <summary>Makes a drawing of a graph.</summary>
internal sealed class GraphDrawer
{
    private readonly SavedGraph _graph;
    private readonly IReadOnlyList<(Fault Fault, IReadOnlyList<(string? Id, FaultStep Step)> Path)> _faults;
    private readonly Dictionary<string, string> _keys = new(StringComparer.Ordinal);
    private readonly Dictionary<(string Service, string? Mark), DrawnNode> _missing = [];
    private readonly List<DrawnNode> _nodes = [];
    private readonly List<DrawnEdge> _edges = [];

    private GraphDrawer(
        SavedGraph graph, IReadOnlyList<(Fault Fault, IReadOnlyList<(string? Id, FaultStep Step)> Path)> faults)
    {
        _graph = graph;
        _faults = faults;
    }

    /// <summary>A saved graph, which knows of no faults but those that its bindings show.</summary>
    public static DrawnGraph Draw(SavedGraph graph) => new GraphDrawer(graph, []).Draw();

    /// <summary>A wiring, with all its faults; and its graph, in which services are found.</summary>
    public static (SavedGraph Graph, DrawnGraph Drawing) Draw(
        string name, Wiring wiring, IReadOnlyCollection<EntryPoint> entryPoints, BuildOptions options)
    {
        (ServiceGraph graph, CheckReport report) = wiring.CheckedGraph(options, entryPoints);
        GraphSaver saver = new(graph);
        SavedGraph saved = saver.Save(name);
        return (saved, For(saved, saver, report).Draw());
    }

    /// <summary>The graph of a container, with the warnings of its build. Nobody else may add to the graph meanwhile.</summary>
    public static DrawnContainer Draw(string name, ServiceGraph graph, CheckReport report)
    {
        GraphSaver saver = new(graph);
        GraphDrawer drawer = For(saver.Save(name), saver, report);
        DrawnGraph drawing = drawer.Draw();
        return new DrawnContainer(
            drawing,
            graph.Nodes.Select(node => (node, Key: drawer._keys.GetValueOrDefault(saver.IdOf(node))))
                .Where(each => each.Key is not null)
                .ToDictionary(each => each.node, each => each.Key!));
    }

    private static GraphDrawer For(SavedGraph saved, GraphSaver saver, CheckReport report) => new(
        saved,
        [.. report.All.Select(fault => (fault, (IReadOnlyList<(string?, FaultStep)>)
            [.. fault.Path.Select(step => (step.Node is null ? null : saver.IdOf(step.Node), step))]))]);

    private DrawnGraph Draw()
    {
        foreach (SavedRegistration registration in Shown())
        {
            _keys.Add(registration.Id, $"n{_keys.Count + 1}");
        }

        foreach (SavedRegistration registration in _graph.WithNeeds.Where(each => _keys.ContainsKey(each.Id)))
        {
            _nodes.Add(NodeOf(registration));
            _edges.AddRange(EdgesOf(registration));
        }

        return new DrawnGraph
        {
            Wiring = _graph.Wiring,
            Nodes = [.. _nodes, .. _missing.Values],
            Edges = [.. _edges.Select(WithFaults)],
            Faults =
            [
                .. _faults.Select((each, number) => new DrawnFault(
                    number,
                    each.Fault.Code,
                    each.Fault.Severity.ToString().ToLowerInvariant(),
                    each.Fault.Summary,
                    each.Fault.ToString(),
                    each.Fault.Fixes.Count == 0 ? null : $"{each.Fault.Fixes[0]}")),
            ],
        };
    }

    /// <summary>Without what only others follow from, as open generic classes and decorators do, and what others replace; but with all
    /// that has part in a fault.</summary>
    private IEnumerable<SavedRegistration> Shown()
    {
        HashSet<string?> faulty = [.. _faults.SelectMany(each => each.Path).Select(step => step.Id)];
        HashSet<string?> followed = [.. _graph.Registrations.Select(each => each.FollowsFrom)];
        return _graph.WithNeeds.Where(each =>
            faulty.Contains(each.Id)
            || (!followed.Contains(each.Id)
                && (each.Replaced.Count == 0 || each.Replaced.Count < each.Services.Count)
                && !(each.Decorator && each.Around is null)));
    }

    private DrawnNode NodeOf(SavedRegistration registration)
    {
        // What others replace is not provided after all.
        string[] provided = [.. registration.Services.Except(registration.Replaced)];
        IReadOnlyList<string> services = provided.Length > 0 ? provided : registration.Services;
        string title = _graph.NameOf(services.Count > 0 ? services[0] : registration.Type);
        string created = registration.CreatedBy is "class" or "alias" ? _graph.NameOf(registration.Type) : registration.CreatedBy;
        return new DrawnNode
        {
            Key = _keys[registration.Id],
            Id = registration.Id,
            Title = title,
            Maker = created == title || registration.CreatedBy == SavedRegistration.EntryPoint ? "" : created,
            Services = [.. services.Select(_graph.NameOf)],
            Lifetime = registration.CreatedBy == SavedRegistration.EntryPoint ? "" : registration.Lifetime,
            Mark = registration.Mark is { } mark ? _graph.NameOf(mark).Trim('"') : null,
            Kind = registration.Around is null ? registration.CreatedBy : "decorator",
            Namespace = NamespaceOf(registration.Type),
            File = registration.File,
            Line = registration.Line,
            Module = registration.Module,
            ResolvedDirectly = registration.ResolvedDirectly,
            Faults = FaultsOf(registration.Id),
        };
    }

    /// <summary>What stands before the name that messages write; without type arguments.</summary>
    private string NamespaceOf(string type)
    {
        string name = type.Split('<')[0];
        int own = name.Length - _graph.NameOf(type).Split('<')[0].Length - 1;
        return own > 0 && name[own] == '.' ? name[..own] : "";
    }

    private IEnumerable<DrawnEdge> EdgesOf(SavedRegistration registration)
    {
        string from = _keys[registration.Id];
        foreach (SavedNeed need in registration.Needs)
        {
            string form = registration.CreatedBy == "alias" ? "alias"
                : registration.Around is { } inner && need.By.Contains(inner) && need.Gets == "one" ? "decorates"
                : need.Gets;
            foreach (string to in need.By.Where(_keys.ContainsKey))
            {
                yield return new DrawnEdge { From = from, To = _keys[to], Parameter = need.Parameter, Form = form };
            }

            if (need.Gets == "missing")
            {
                yield return new DrawnEdge { From = from, To = MissingFor(need).Key, Parameter = need.Parameter, Form = form };
            }
        }
    }

    private DrawnNode MissingFor(SavedNeed need)
    {
        if (!_missing.TryGetValue((need.Service, need.Mark), out DrawnNode? node))
        {
            string name = _graph.NameOf(need.Service);
            node = new DrawnNode
            {
                Key = $"n{_keys.Count + _missing.Count + 1}",
                Title = name,
                Maker = "not registered",
                Mark = need.Mark is { } mark ? _graph.NameOf(mark).Trim('"') : null,
                Kind = "missing",
                Faults =
                [
                    .. Numbers(each => each.Fault.Kind == FaultKind.Missing
                        && each.Path.Any(step => step.Id is null && step.Step.Parameter == need.Parameter)),
                ],
            };
            _missing.Add((need.Service, need.Mark), node);
        }

        return node;
    }

    private IReadOnlyList<int> FaultsOf(string id) => [.. Numbers(each => each.Path.Any(step => step.Id == id))];

    private DrawnEdge WithFaults(DrawnEdge edge) => edge with
    {
        Faults = [.. Numbers(each => IsOn(edge, each.Path))],
    };

    private IEnumerable<int> Numbers(Func<(Fault Fault, IReadOnlyList<(string? Id, FaultStep Step)> Path), bool> concerns) =>
        Enumerable.Range(0, _faults.Count).Where(number => concerns(_faults[number]));

    /// <summary>Whether a path goes along an edge: from a step to one that is one deeper, by the parameter.</summary>
    private bool IsOn(DrawnEdge edge, IReadOnlyList<(string? Id, FaultStep Step)> path)
    {
        List<string?> around = [];
        foreach ((string? id, FaultStep step) in path)
        {
            around.RemoveRange(Math.Min(step.Depth, around.Count), around.Count - Math.Min(step.Depth, around.Count));
            string? holder = around.Count > 0 ? around[^1] : null;
            around.Add(id);
            if (holder is not null
                && step.Parameter == edge.Parameter
                && _keys.GetValueOrDefault(holder) == edge.From
                && (id is null ? edge.Form == "missing" : _keys.GetValueOrDefault(id) == edge.To))
            {
                return true;
            }
        }

        return false;
    }
}
