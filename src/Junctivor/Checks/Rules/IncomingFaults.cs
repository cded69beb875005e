using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV105 and JV107: values promised and not handed over, and handed over and not promised.</summary>
internal static class IncomingFaults
{
    /// <summary>Compares what is handed over to a container or a scope with what the wiring promises for that level.</summary>
    public static IEnumerable<Fault> AtStart(ServiceGraph graph, Level level, IReadOnlyList<ServiceId> handedOver)
    {
        foreach (ServiceId service in handedOver.Where(service => !graph.Promises(service).Any(node => node.Level == level && !node.Endings.IsLate)).Distinct())
        {
            yield return NobodyPromised(graph, level, service);
        }

        foreach (IGrouping<ServiceId, ServiceId> twice in handedOver.GroupBy(service => service).Where(same => same.Count() > 1))
        {
            yield return new Fault
            {
                Code = "JV202",
                Name = "ambiguous",
                Summary = $"{twice.Key} was handed over {twice.Count()} times in one call",
                Cures = ["hand it over once"],
                Candidates = [twice.Key.ToString()],
            };
        }
    }

    /// <summary>Values for the container that its start did not bring.</summary>
    public static IEnumerable<Fault> NotHandedOver(ServiceGraph graph, Func<Node, bool> isHandedOver) =>
        graph.Nodes
            .Where(node => node.Kind == NodeKind.Incoming && node.Level == Level.Singleton && !node.Endings.IsLate && !isHandedOver(node))
            .Select(node => NotHandedOver(node, new Steps(graph).Node(node).Path, "given to Build"));

    /// <summary>A value that something on the way needs, and that no scope around it has.</summary>
    public static Fault NotHandedOver(Node node, IReadOnlyList<FaultStep> path, string when = "handed over to this scope") => new()
    {
        Code = "JV105",
        Name = "not-handed-over",
        Summary = $"{node.Name} is promised, and was not {when}",
        Path = path,
        Cures = [node.Endings.IsLate ? $"container.HandOver<{node.Services[0].Name}>(…), before it is asked for" : StartWith(node)],
        Candidates = [node.Name],
        Order = node.Order,
    };

    /// <summary>A value was handed over to a container that is built, and no promise says <c>Later</c>.</summary>
    public static Fault NobodyPromisedLater(ServiceGraph graph, ServiceId service) =>
        NobodyPromised(graph, Level.Singleton, service) with
        {
            Cures = [$"promise it in the wiring: Singleton.Incoming<{service.Type.Name}>().Later()"],
        };

    private static Fault NobodyPromised(ServiceGraph graph, Level level, ServiceId service)
    {
        Node? otherLevel = graph.Promises(service).FirstOrDefault();
        IReadOnlyList<Node> wider = [.. graph.Written.Where(node => node.Kind == NodeKind.Incoming && service.Type.Serves(node.Services[0]))];
        List<string> cures = [];
        if (otherLevel is { Endings.IsLate: true })
        {
            cures.Add($"it is promised for later, so hand it over there: container.HandOver<{service.Type.Name}>(…)");
        }
        else if (otherLevel is not null)
        {
            cures.Add($"it is promised with {RegistrationText.Start(otherLevel.Level)}, so hand it over there: {StartWith(otherLevel)}");
        }
        else
        {
            cures.AddRange(wider.Select(node => $"{node.Name} is promised: {HandOver(node)}"));
            cures.Add($"promise it in the wiring: {RegistrationText.Start(level)}.Incoming<{service.Type.Name}>()");
            cures.Add("do not hand it over");
        }

        Steps steps = new(graph);
        foreach (Node near in otherLevel is null ? wider : [otherLevel])
        {
            steps.Node(near);
        }

        return new Fault
        {
            Code = "JV107",
            Name = "nobody-promised",
            Summary = $"{service} was handed over, and the wiring does not promise it {(level == Level.Singleton ? "for the container" : $"for a {level} scope")}",
            Path = steps.Path,
            Cures = cures,
            Candidates = [service.ToString()],
            Order = int.MaxValue,
        };
    }

    /// <summary>The call that hands a value over where it is promised.</summary>
    private static string StartWith(Node promise) => promise.Level switch
    {
        { IsUsersOwn: true } level => $"StartScope({RegistrationText.Start(level)}, {HandOver(promise)})",
        var level when level == Level.Singleton => $"wiring.Build({HandOver(promise)})",
        _ => $"container.StartScope({HandOver(promise)})",
    };

    private static string HandOver(Node node) => $"Incoming.Value<{node.Services[0].Name}>(…){MarkOf(node)}";

    private static string MarkOf(Node node) =>
        node.Mark is null ? "" : node.Mark.Type is null ? $".Marked({node.Mark})" : $".Marked<{node.Mark}>()";
}
