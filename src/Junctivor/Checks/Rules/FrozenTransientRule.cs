using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>
/// JV303: a singleton keeps one transient for as long as the container lives; said where that is another thing than one for
/// each: the transient has state of its own, or something to dispose.
/// </summary>
internal sealed class FrozenTransientRule : IRule
{
    private const int ShownState = 3;

    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes)
    {
        Ancestors leading = Ancestors.Among(graph, nodes);
        return
            from holder in nodes
            where holder.Level == Level.Singleton && MayHoldTransients(holder)
            from edge in holder.Edges
            where !edge.IsDeferred
                && edge.To.Level.IsTransient
                && edge.To.CreatesInstances
                && (edge.To.Implementation.IsDisposable || HasState(edge.To.Implementation)) && HoldsNothingShorter(edge.To, leading)
            select Frozen(graph, holder, edge);
    }

    private static bool MayHoldTransients(Node holder) =>
        Array.Exists(holder.Bindings!, binding => binding is not Binding.Single single || single.Node.Level.IsTransient);

    /// <summary>Where the transient needs something shorter-lived, it is captive, and that is said instead.</summary>
    private static bool HoldsNothingShorter(Node transient, Ancestors leading) =>
        !leading.Leads(transient)
            || !DependencyPaths.From(transient, leading).Any(path => path[path.Count - 1].To.Level != Level.Singleton);

    private static bool HasState(TypeRef created) => IsPlain(created) || created.State.Count > 0;

    private static bool IsPlain(TypeRef created) => created.IsValueType || created.DefinitionName == WellKnownTypes.Text;

    private static Fault Frozen(ServiceGraph graph, Node holder, Edge edge)
    {
        Node frozen = edge.To;
        string service = frozen.Services[0].Name;
        string accept = RegistrationText.Accept(FaultKind.FrozenTransient, $"One instance for {holder.Name} is intended.");
        return new Fault(FaultKind.FrozenTransient)
        {
            Severity = frozen.Implementation.IsDisposable ? Severity.Warning : Severity.Note,
            Summary = $"{holder.Name} (singleton) keeps one instance of {frozen.Name} (transient)",
            Path = new FaultPath(graph).Chain([edge]).Path,
            Remarks = [.. Remarks(holder, frozen)],
            Fixes =
            [
                frozen.Implementation.IsDisposable
                    ? Taking(edge, $"create one for each unit of work, disposed with its scope: in {holder.Name}, take", $"FreshScope<{service}>")
                    : Taking(edge, $"create a new one for each use: in {holder.Name}, take", $"Func<{service}>"),
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

    private static IEnumerable<string> Remarks(Node holder, Node frozen)
    {
        if (frozen.Implementation.IsDisposable)
        {
            yield return $"{frozen.Name} is disposable, and is disposed only with the container.";
        }
        else
        {
            string state = IsPlain(frozen.Implementation) ? "the value" : string.Join(", ", frozen.Implementation.State.Take(ShownState));
            yield return $"A transient is created for each request; {holder.Name} requests it once, and keeps {state} of that time.";
        }
    }

    private static Fix Taking(Edge edge, string advice, string type)
    {
        string parameter = RegistrationText.Parameter(edge.Dependency.Parameter.Mark, type, edge.Dependency.Parameter.Name);
        return new Fix(advice, parameter, Edits.Take(edge.Dependency, parameter));
    }
}
