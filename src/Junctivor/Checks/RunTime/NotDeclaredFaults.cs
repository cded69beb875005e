using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV107: a value that was supplied, and that the wiring does not declare there.</summary>
internal static class NotDeclaredFaults
{
    /// <summary>Compares what is supplied to a container or a scope with what the wiring declares for that level.</summary>
    public static IEnumerable<Fault> AtStart(ServiceGraph graph, Level level, IReadOnlyList<ServiceId> handedOver) =>
        handedOver
            .Where(service => !graph.IncomingFor(service).Any(node => node.Level == level && !node.Has(RegistrationFlags.SuppliedLater)))
            .Distinct()
            .Select(service => Found(graph, level, service))
            .Concat(handedOver.GroupBy(service => service)
                .Where(same => same.Count() > 1)
                .Select(same => AmbiguousRule.SuppliedTwice(same.Key, same.Count())));

    /// <summary>A value was supplied to a container that is built, and no declaration says <c>Later</c>.</summary>
    public static Fault Late(ServiceGraph graph, ServiceId service) => Found(graph, Level.Singleton, service) with
    {
        Fixes = [new Fix(
            "declare it in the wiring",
            $"Singleton.Incoming<{service.Type.Name}>(){RegistrationText.OptionsOf(service.Mark)}"
                + OptionNames.Call(RegistrationFlags.SuppliedLater))],
    };

    private static Fault Found(ServiceGraph graph, Level level, ServiceId service)
    {
        Node? otherLevel = graph.IncomingFor(service).FirstOrDefault();
        IReadOnlyList<Node> near = otherLevel is not null ? [otherLevel] : NearDeclarations(graph, service);
        FaultPath steps = new(graph);
        foreach (Node declaration in near)
        {
            steps.Node(declaration);
        }

        return new Fault(FaultKind.NotDeclared)
        {
            Summary = $"{service} was supplied, but the wiring does not declare it for {PlaceOf(level)}",
            Path = steps.Path,
            Remarks = near.Count > 0 && otherLevel is null
                ? ["The type and mark of a supplied value must match its declaration exactly."]
                : [],
            Fixes = [.. otherLevel is null ? Fixes(graph, level, service, near) : [AtOtherLevel(otherLevel)]],
            Candidates = [service.ToString()],
            Order = int.MaxValue,
        };
    }

    private static string PlaceOf(Level level) =>
        level == Level.Singleton ? "the container" : level == Level.Scoped ? "a scope" : $"a {level}";

    /// <summary>What is declared as an interface or a base class of what was supplied, or under another mark.</summary>
    private static IReadOnlyList<Node> NearDeclarations(ServiceGraph graph, ServiceId service) =>
        [.. graph.Registrations.Where(node => node.Kind == NodeKind.Incoming && service.Type.Serves(node.Services[0]))];

    private static IEnumerable<Fix> Fixes(ServiceGraph graph, Level level, ServiceId service, IReadOnlyList<Node> wider) =>
        graph.Registrations.FirstOrDefault(node => node.Kind != NodeKind.Incoming && !node.IsDecorator && node.Mark == service.Mark
            && node.Services.Contains(service.Type)) is { } registered
            ? InsteadOf(registered, level, service)
            : Declaring(level, service, wider);

    /// <summary>A second one beside what is registered would make it ambiguous.</summary>
    private static IEnumerable<Fix> InsteadOf(Node registered, Level level, ServiceId service) =>
    [
        new Fix($"do not supply it: {registered.Implementation.Name} is registered for it") { ChangesBehavior = true },
        new Fix(
            $"declare it in the wiring instead of the registration of {registered.Implementation.Name}",
            $"{RegistrationText.Start(level)}.Incoming<{service.Type.Name}>(){RegistrationText.OptionsOf(service.Mark)}"),
    ];

    private static IEnumerable<Fix> Declaring(Level level, ServiceId service, IReadOnlyList<Node> wider) =>
    [
        .. wider.Select(
            node => new Fix(
                $"supply it as {new ServiceId(node.Services[0], node.Mark)}, which is declared",
                RegistrationText.Supply(node),
                Edits.SupplyAs(level, service.Type, node))),
        new Fix("declare it in the wiring",
            $"{RegistrationText.Start(level)}.Incoming<{service.Type.Name}>(){RegistrationText.OptionsOf(service.Mark)}"),
        new Fix("do not supply it") { ChangesBehavior = true },
    ];

    private static Fix AtOtherLevel(Node declaration) => declaration.Has(RegistrationFlags.SuppliedLater)
        ? new Fix(
            $"it is declared as {RegistrationFlags.SuppliedLater}: supply it after the build",
            $"container.Supply<{declaration.Services[0].Name}>(…);")
        : new Fix(
            $"it is declared with {RegistrationText.Start(declaration.Level)}: supply it there", StartCallText.Supplying(declaration));
}
