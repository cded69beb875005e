using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>
/// JV303: a singleton keeps one transient for as long as the container lives; said where that is another thing than one for
/// each: the transient has state of its own, or something to dispose.
/// </summary>
internal sealed class FrozenTransientRule : NodeRule
{
    private const int ShownState = 3;

    protected override bool Concerns(Node node) => node.Level == Level.Singleton && MayHoldTransients(node);

    public override IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes)
    {
        Ancestors leading = Ancestors.Among(graph, nodes);
        return
            from holder in nodes
            where holder.Level == Level.Singleton && MayHoldTransients(holder)
            from path in PathsToState(holder, leading)
            group path by path[0].Dependency into frozen
            select Frozen(graph, frozen.Key.Consumer, frozen.First());
    }

    /// <summary>The shortest way to each transient that is another thing for all than for each: directly, or through other transients.
    /// What a Lazy resolves is kept too.</summary>
    private static IEnumerable<IReadOnlyList<Edge>> PathsToState(Node holder, Ancestors leading)
    {
        HashSet<Node> met = [holder];
        Queue<IReadOnlyList<Edge>> open = new([[]]);
        while (open.TryDequeue(out IReadOnlyList<Edge>? path))
        {
            foreach (Edge edge in (path.Count == 0 ? holder : path[path.Count - 1].To).Edges)
            {
                if (edge.By is { KeepsFirst: false } || !edge.To.Level.IsTransient || !met.Add(edge.To))
                {
                    continue;
                }

                IReadOnlyList<Edge> longer = [.. path, edge];
                if (edge.To.CreatesInstances && IsAnotherForEach(edge.To))
                {
                    if (HoldsNothingShorter(edge.To, leading))
                    {
                        yield return longer;
                    }
                }
                else
                {
                    open.Enqueue(longer);
                }
            }
        }
    }

    private static bool IsAnotherForEach(Node transient) =>
        transient.Implementation.IsDisposable
        || HasState(transient.Implementation)
        || (transient.Kind == NodeKind.Factory && transient.Implementation.Moments.Count > 0);

    private static bool MayHoldTransients(Node holder)
    {
        foreach (Binding binding in holder.Bindings!)
        {
            if (binding is not Binding.Single single || single.Node.Level.IsTransient)
            {
                return true;
            }
        }

        return false;
    }

    /// <summary>Where the transient needs something shorter-lived, it is captive, and that is said instead.</summary>
    private static bool HoldsNothingShorter(Node transient, Ancestors leading) =>
        !leading.Leads(transient)
            || !DependencyPaths.From(transient, leading).Any(path => path[path.Count - 1].To.Level != Level.Singleton);

    private static bool HasState(TypeRef created) => IsPlain(created) || created.State.Count > 0;

    private static bool IsPlain(TypeRef created) => created.IsValueType || created.DefinitionName == WellKnownTypes.Text;

    private static Fault Frozen(ServiceGraph graph, Node holder, IReadOnlyList<Edge> path)
    {
        Edge edge = path[0];
        Node frozen = path[path.Count - 1].To;
        string service = edge.To.Services[0].Name;
        string through = path.Count == 1
            ? ""
            : $", through {string.Join(" and ", path.Take(path.Count - 1).Select(step => step.To.Name))}";
        string accept = RegistrationText.Accept(FaultKind.FrozenTransient, $"One instance for {holder.Name} is intended.");
        return new Fault(FaultKind.FrozenTransient)
        {
            Severity = frozen.Implementation.IsDisposable ? Severity.Warning : Severity.Note,
            Summary = $"{holder.Name} (singleton) keeps one instance of {frozen.Name} (transient){through}",
            Path = new FaultPath(graph).Chain(path).Path,
            Remarks = [.. Remarks(holder, frozen, path)],
            Fixes =
            [
                frozen.Implementation.IsDisposable
                    ? Taking(
                        edge,
                        frozen,
                        $"create one for each unit of work, disposed with its scope: in {holder.Name}, take",
                        $"FreshScope<{service}>")
                    : Taking(edge, frozen, $"create a new one for each use: in {holder.Name}, take", $"Func<{service}>"),
                new Fix(
                    "if one shared instance is intended, register it as",
                    RegistrationText.Again(frozen, Level.Singleton),
                    Edits.Lifetime(frozen, Level.Singleton))
                {
                    ChangesBehavior = true,
                },
                new Fix($"if one instance for {holder.Name} is intended, add to its registration", accept, Edits.Append(holder, accept))
                {
                    ChangesBehavior = true,
                },
            ],
            Candidates = [holder.Name, frozen.Name],
            Order = holder.Order,
        };
    }

    private static IEnumerable<string> Remarks(Node holder, Node frozen, IReadOnlyList<Edge> path)
    {
        if (path.Select(edge => edge.By).FirstOrDefault(by => by is not null) is { } form)
        {
            yield return $"A {form.Name} keeps what it has resolved.";
        }

        if (frozen.Implementation.IsDisposable)
        {
            yield return $"{frozen.Name} is disposable, and is disposed only with the container.";
        }
        else
        {
            string state = IsPlain(frozen.Implementation)
                ? "the value"
                : string.Join(", ", frozen.Implementation.State.Concat(frozen.Implementation.Moments).Distinct().Take(ShownState));
            yield return $"A transient is created each time it is resolved. {holder.Name} resolves it once, "
                + $"and keeps {state} from then on.";
        }
    }

    /// <summary>Whether the parameter is the transient itself, and no list.</summary>
    private static bool IsTakenAlone(Edge edge) =>
        edge.Dependency.Binding is Binding.Single or Binding.Deferred { Form.KeepsFirst: true, Inner: Binding.Single };

    private static Fix Taking(Edge edge, Node frozen, string advice, string type)
    {
        string parameter = RegistrationText.Parameter(edge.Dependency.Parameter.Mark, type, edge.Dependency.Parameter.Name);
        return new Fix(advice, parameter, IsTakenAlone(edge) ? Edits.Take(edge.Dependency, parameter) : [])
        {
            ByHandBecause = ByHand.Anew(frozen.Implementation),
        };
    }
}
