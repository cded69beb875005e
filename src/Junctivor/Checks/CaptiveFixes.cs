using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>What to write where something is captive: what is right depends on what is held, and by what.</summary>
internal static class CaptiveFixes
{
    public static IReadOnlyList<Fix> Of(
        ServiceGraph graph, Node holder, IReadOnlyList<IReadOnlyList<Edge>> paths, ReverseDependencies dependents)
    {
        IReadOnlyList<Edge> path = paths[0];
        Node held = path[path.Count - 1].To;
        List<Fix> fixes = [BySharedScope(holder, paths, dependents) ?? ForWork(holder, held, path, dependents)];
        if (paths.Count == 1 && CanServeAll(graph, held))
        {
            fixes.Add(new Fix(
                $"register {held.Name} with the lifetime of {holder.Name}: it has no state and no scoped dependencies",
                RegistrationText.Again(held, holder.Level),
                Edits.Lifetime(held, holder.Level)));
        }

        Node registered = holder.Innermost;
        if (registered.CreatesInstances
            && !holder.Options.HasWarmUp
            && !dependents.Of(holder).Any(dependent => !dependent.Level.IsTransient && held.Level.IsShorterThan(dependent.Level)))
        {
            fixes.Add(
                new Fix($"give {registered.Name} the lifetime of the service it holds, so that each scope creates its own",
                    RegistrationText.Again(registered, held.Level),
                    held.Level.IsUsersOwn ? [] : Edits.Lifetime(registered, held.Level))
                {
                    ChangesBehavior = true,
                });
        }

        return fixes;
    }

    /// <summary>What is held by several parameters belongs together: a class that does the work holds them all, in one scope.</summary>
    private static Fix? BySharedScope(Node holder, IReadOnlyList<IReadOnlyList<Edge>> paths, ReverseDependencies dependents)
    {
        if (holder.Kind != NodeKind.Class || paths.Select(path => path[0].Dependency).Distinct().Count() < 2)
        {
            return null;
        }

        string work = $"{holder.Implementation.OwnName}Work";
        string held = string.Join(" and ", paths.Select(path => path[0].Dependency.Parameter.Type.Name).Distinct());
        string registration = $"Scoped.Of<{work}>()";
        IReadOnlyList<string> values =
            [.. paths.SelectMany(path => dependents.ValuesFor(path[0].To)).Distinct().Select(RegistrationText.Supply)];
        return new Fix(
            $"move the work of {holder.Name} into a scoped class {work}, and run it in a fresh scope, which {held} then share; "
                + $"register {work}, and in {holder.Name} take",
            $"{registration}\nFreshScope<{work}> work"
                + (values.Count == 0 ? "" : $"\nawait work.RunAsync(fresh => …, {StartCallText.Values("RunAsync", [.. values])});"),
            values.Count == 0 && holder.Implementation.Arguments.Count == 0
                ? Edits.OfAll(
                [
                    Edits.MoveWork(holder.Implementation, work, paths.Select(path => path[0].To)),
                    Edits.Register(holder, registration),
                ])
                : []);
    }

    private static Fix ForWork(Node holder, Node held, IReadOnlyList<Edge> path, ReverseDependencies dependents)
    {
        Parameter parameter = path[0].Dependency.Parameter;
        if (held.Level.IsUsersOwn)
        {
            return new Fix(
                $"inject Container into {holder.Name}, and start a scope of the level {held.Level} for each unit of work",
                StartCallText.ForLevel(held.Level));
        }

        if (held.Kind == NodeKind.Incoming && path.Count == 1)
        {
            return new Fix(
                $"pass it to the methods of {holder.Name} that need it, as a parameter",
                RegistrationText.Parameter(null, parameter.Type.Name, parameter.Name));
        }

        IReadOnlyList<string> values = [.. dependents.ValuesFor(path[0].To).Select(RegistrationText.Supply)];
        string? use = RegistrationText.FreshUse(parameter.Name, Unwrapped(parameter.Type, path[0]), values);
        string fresh = RegistrationText.Parameter(
            parameter.Mark, $"FreshScope<{Unwrapped(parameter.Type, path[0]).Name}>", parameter.Name);
        return new Fix(
            use is null
                ? $"run each unit of work of {holder.Name} in its own scope, inside RunAsync; change the parameter to"
                : $"run each unit of work of {holder.Name} in its own scope; change the parameter, and use it like this",
            use is null ? fresh : $"{fresh}\n{use}",
            values.Count == 0 && IsHeldItself(path[0]) ? Edits.Take(path[0].Dependency, fresh, path[0].To) : []);
    }

    /// <summary>Whether the parameter is the held service, and no list or function with arguments.</summary>
    private static bool IsHeldItself(Edge edge) =>
        edge.Dependency.Binding is Binding.Single
            || edge is { By.TakesArguments: false, Dependency.Binding: Binding.Deferred };

    private static TypeRef Unwrapped(TypeRef requested, Edge edge) =>
        edge is { By.TakesArguments: false, Dependency.Binding: Binding.Deferred } && requested.Arguments.Count == 1
        ? requested.Arguments[0]
        : edge.By is { TakesArguments: true } ? edge.To.Services[0] : requested;

    /// <summary>Whether nothing would be shared by it that belongs to one request; what a factory gives, nobody knows.</summary>
    private static bool CanServeAll(ServiceGraph graph, Node held) =>
        held.Level == Level.Scoped
        && HasNoState(held)
        && ServiceGraph.Walk([held])
            .All(node => node.Level == Level.Singleton || (HasNoState(node) && (node == held || node.Level.IsTransient)))
        && ServiceGraph.Walk([held])
            .All(node => (node.Bindings ?? []).SelectMany(binding => binding.All())
                .All(binding => binding is not (Binding.Missing or Binding.Ambiguous)))
        && !held.Dependencies.Any(dependency => dependency.Bindings.Any(binding => binding is Binding.Ambient));

    private static bool HasNoState(Node node) =>
        node.Kind == NodeKind.Class && !node.Implementation.IsDisposable && node.Implementation.State.Count == 0;
}
