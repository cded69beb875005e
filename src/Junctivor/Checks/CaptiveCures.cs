using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>What to write where something is captive: what is right depends on what is held, and by what.</summary>
internal static class CaptiveCures
{
    public static IReadOnlyList<Cure> Of(ServiceGraph graph, Node holder, IReadOnlyList<IReadOnlyList<Edge>> ways, Askers askers)
    {
        IReadOnlyList<Edge> way = ways[0];
        Node held = way[way.Count - 1].To;
        List<Cure> cures = [ForWork(holder, held, way, askers)];
        if (ways.Count == 1 && CanServeAll(graph, held))
        {
            cures.Add(new Cure(
                $"register {held.Name} for all: it has no state of its own, and nothing in it belongs to one request",
                RegistrationText.Again(held, holder.Level)));
        }

        Node registered = Innermost(holder);
        if (registered.Makes && !holder.Endings.IsWarmed && !askers.Of(holder).Any(asker => !asker.Level.IsTransient && held.Level.IsShorterThan(asker.Level)))
        {
            cures.Add(new Cure($"let {registered.Name} live no longer than what it holds", RegistrationText.Again(registered, held.Level)));
        }

        return cures;
    }

    private static Cure ForWork(Node holder, Node held, IReadOnlyList<Edge> way, Askers askers)
    {
        Parameter parameter = way[0].Need.Parameter;
        if (held.Level.IsUsersOwn)
        {
            return new Cure(
                $"take Container in {holder.Name}, and start a {held.Level} for each piece of work",
                $"await using Scope {RegistrationText.Variable(held.Level)} = container.StartScope({RegistrationText.Start(held.Level)});");
        }

        if (held.Kind == NodeKind.Incoming && way.Count == 1)
        {
            return new Cure($"let the methods of {holder.Name} that work for one take it as a parameter", RegistrationText.Parameter(null, parameter.Type.Name, parameter.Name));
        }

        IReadOnlyList<string> values = [.. askers.ValuesFor(way[0].To).Select(RegistrationText.HandOver)];
        string work = values.Count == 0 ? "inside RunAsync" : $"inside RunAsync, which is also given {string.Join(", ", values)}";
        return new Cure(
            $"do each piece of work of {holder.Name} in a scope of its own, {work}; take",
            RegistrationText.Parameter(parameter.Mark, $"FreshScope<{Unwrapped(parameter.Type, way[0]).Name}>", parameter.Name));
    }

    private static TypeRef Unwrapped(TypeRef asked, Edge edge) => edge.By is DeferredForm.Func or DeferredForm.Lazy && asked.Arguments.Count == 1 && edge.Need.Supply is Supply.Deferred
        ? asked.Arguments[0]
        : edge.By is DeferredForm.FuncWithArguments ? edge.To.Services[0] : asked;

    /// <summary>Whether nothing would be shared by it that belongs to one request; what a factory gives, nobody knows.</summary>
    private static bool CanServeAll(ServiceGraph graph, Node held) =>
        held.Level == Level.Scoped
        && HasNoState(held)
        && ServiceGraph.Walk([held]).All(node => node.Level == Level.Singleton || (HasNoState(node) && (node == held || node.Level.IsTransient)))
        && !held.Needs.Any(need => need.Supplies.Any(supply => supply is Supply.Ambient));

    private static bool HasNoState(Node node) => node.Kind == NodeKind.Class && !node.Made.IsDisposable && node.Made.State.Count == 0;

    private static Node Innermost(Node node) => node.Inner is null ? node : Innermost(node.Inner);
}
