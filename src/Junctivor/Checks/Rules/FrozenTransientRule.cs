using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>
/// JV303: a singleton keeps one transient for as long as the container lives; said where that is another thing than one for
/// each: the transient has state of its own, or something to end.
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
            where !edge.IsDeferred && edge.To.Level.IsTransient && edge.To.CreatesInstances && (edge.To.Implementation.IsDisposable || HasState(edge.To.Implementation)) && HoldsNothingShorter(edge.To, leading)
            select Frozen(graph, holder, edge);
    }

    private static bool MayHoldTransients(Node holder) =>
        Array.Exists(holder.Bindings!, supply => supply is not Binding.Single single || single.Node.Level.IsTransient);

    /// <summary>Where the transient needs something shorter-lived, it is captive, and that is said instead.</summary>
    private static bool HoldsNothingShorter(Node transient, Ancestors leading) =>
        !leading.Leads(transient) || !DependencyPaths.From(transient, leading).Any(way => way[way.Count - 1].To.Level != Level.Singleton);

    private static bool HasState(TypeRef made) => IsPlain(made) || made.State.Count > 0;

    private static bool IsPlain(TypeRef made) => made.IsValueType || made.DefinitionName == WellKnownTypes.Text;

    private static Fault Frozen(ServiceGraph graph, Node holder, Edge edge)
    {
        Node frozen = edge.To;
        string service = frozen.Services[0].Name;
        return new Fault
        {
            Kind = FaultKind.FrozenTransient,
            Severity = frozen.Implementation.IsDisposable ? Severity.Warning : Severity.Note,
            Summary = $"{holder.Name} (singleton) keeps one {frozen.Name} (transient) for as long as it lives",
            Path = new FaultPath(graph).Chain([edge]).Path,
            Remarks = [.. Remarks(holder, frozen)],
            Fixes =
            [
                frozen.Implementation.IsDisposable
                    ? new Fix($"let what a run makes end with the run; in {holder.Name}, take", Take(edge, $"FreshScope<{service}>"))
                    : new Fix($"call a function for a fresh one each time; in {holder.Name}, take", Take(edge, $"Func<{service}>")),
                new Fix("if one for all is meant, say so where it is registered", RegistrationText.Again(frozen, Level.Singleton)),
                new Fix($"if one for {holder.Name} alone is meant, say so behind its registration", RegistrationText.Accept(FaultKind.FrozenTransient)),
            ],
            Candidates = [holder.Name, frozen.Name],
            Order = holder.Order,
        };
    }

    private static IEnumerable<string> Remarks(Node holder, Node frozen)
    {
        if (frozen.Implementation.IsDisposable)
        {
            yield return $"{frozen.Name} holds something to end, and ends only with the container.";
        }
        else
        {
            string state = IsPlain(frozen.Implementation) ? "the value" : string.Join(", ", frozen.Implementation.State.Take(ShownState));
            yield return $"A transient is made afresh for each that asks; {holder.Name} asks once, and keeps {state} as it was then.";
        }
    }

    private static string Take(Edge edge, string type) => RegistrationText.Parameter(edge.Dependency.Parameter.Mark, type, edge.Dependency.Parameter.Name);
}
