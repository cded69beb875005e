using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV203: an entry that replaces, with nothing before it to replace.</summary>
internal sealed class ReplacesNothingRule : IRule
{
    public bool MayFind(ServiceGraph graph, IReadOnlyList<Node> nodes) => graph.Effective.ReplacingNothing.Count > 0;

    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        graph.Effective.ReplacingNothing.Select(node => Found(graph, node));

    /// <summary>The registration of a candidate, without its decorators and not closed over type arguments.</summary>
    public static Node WrittenFor(Node candidate) => candidate.Inner is { } inner ? WrittenFor(inner) : candidate.Registration;

    /// <summary>Who gets neither, as both are there.</summary>
    private static IEnumerable<string> FoundTwice(ServiceGraph graph, Node node) =>
        DependencyReader.NotMetByOne(graph.Nodes)
            .Where(dependency => dependency.Bindings.OfType<Binding.Ambiguous>()
                .Any(binding => binding.Candidates.Any(candidate => WrittenFor(candidate) == node)))
            .Select(dependency => $"{dependency.Consumer.Name} requires one {dependency.Parameter.Type.Name}, and finds both.")
            .Take(1);

    /// <summary>A class that is registered as itself, and implements what is registered before it: that is what it should replace. Null
    /// where there is nothing of the kind.</summary>
    private static Fix? Replacing(ServiceGraph graph, Node node)
    {
        if (node is not { Kind: NodeKind.Class, Services: [{ } itself] } || !itself.Equals(node.Implementation) || node.IsOpen)
        {
            return null;
        }

        IReadOnlyList<TypeRef> replaced = [.. graph.Registrations
            .Where(other => other.Order < node.Order && other.Mark == node.Mark && !other.IsDecorator)
            .SelectMany(other => other.Services)
            .Where(service => !service.Equals(itself) && node.Implementation.Serves(service))
            .Distinct()];
        if (replaced.Count == 0)
        {
            return null;
        }

        string start = RegistrationText.OfClass(node.Level, replaced[0], node.Implementation);
        return new Fix(
            $"register it for {replaced[0].Name}, which is registered before it", $"{start}.Replacing()", Edits.Start(node, start))
        {
            ByHandBecause = replaced.Count > 1 ? ByHand.WhichIsMeant : null,
        };
    }

    private static Fault Found(ServiceGraph graph, Node node)
    {
        string services = string.Join(", ", node.Candidates);
        IReadOnlyList<Node> later = [.. graph.Registrations.Where(
            other => other.Order > node.Order && other.Candidates.Intersect(node.Candidates).Any())];
        FaultPath steps = new FaultPath(graph).Node(node);
        foreach (Node other in later)
        {
            steps.Node(other);
        }

        // The same service under another mark, before it: then the mark was forgotten.
        Node? marked = later.Count > 0 ? null : graph.Registrations.FirstOrDefault(other =>
            other.Order < node.Order && other.Mark != node.Mark && other.Mark is not null
            && other.Services.Intersect(node.Services).Any());
        if (marked is not null)
        {
            steps.Node(marked);
        }

        return new Fault(FaultKind.ReplacesNothing)
        {
            Summary = $"{node.Name} replaces {services}, but no registration before it provides that",
            Path = steps.Path,
            Remarks = later.Count > 0 ? ["It stands before the registration that it could replace.", .. FoundTwice(graph, node)]
                : marked is not null ? [$"{marked.Name} is marked {marked.Mark}; a registration replaces only those with the same mark."]
                : [],
            Fixes =
            [
                later.Count > 0 ? new Fix($"move it after {later[later.Count - 1].Name}", null, Edits.Move(node, later[later.Count - 1]))
                    : marked is not null ? new Fix(
                        "add the mark to it",
                        RegistrationText.OptionsOf(marked.Mark),
                        Edits.Append(node, RegistrationText.OptionsOf(marked.Mark)))
                    {
                        ByHandBecause = ByHand.WhetherMeant,
                    }
                    : Replacing(graph, node)
                        ?? new Fix(
                            $"remove {OptionNames.Call(RegistrationFlags.Replacing)}, because there is nothing to replace",
                            null,
                            Edits.RemoveOption(node, nameof(RegistrationFlags.Replacing)))
                        {
                            ByHandBecause = ByHand.WhetherMeant,
                        },
            ],
            Candidates = [node.Name],
            Order = node.Order,
            Subject = new FaultSubject.OfOption(node, nameof(RegistrationFlags.Replacing)),
        };
    }
}
