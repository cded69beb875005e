using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV106: a constant that no parameter takes; and what is said of an argument that none takes.</summary>
internal sealed class ArgumentRule : IRule
{
    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        nodes.Where(node => node.Endings.Misfits.Count > 0).SelectMany(node => node.Endings.Misfits.Select(misfit => Found(graph, node, misfit)));

    private static Fault Found(ServiceGraph graph, Node node, Misfit misfit) =>
        Found(misfit.Text, new Steps(graph).Node(node).Path, misfit.Meant is null
            ? new Cure($"pass it by a name and type that stand in {node.Made.Name}({node.ChosenConstructor})")
            : new Cure("if that one is meant, write", RegistrationText.Passing(misfit.Meant))) with
        {
            Candidates = [node.Name],
            Order = node.Order,
        };

    public static Fault Untaken(Supply.Untaken supply, IReadOnlyList<FaultStep> path)
    {
        string arguments = string.Join(" and ", supply.Arguments.Select(argument => argument.Name));
        return Found(
            $"{supply.Made.Name} takes no {arguments}, which is given as an argument",
            path,
            new Cure($"give only arguments for which {supply.Made.Name} has a constructor parameter of that type")) with
        { Candidates = [supply.Made.Name] };
    }

    private static Fault Found(string summary, IReadOnlyList<FaultStep> path, Cure cure) => new()
    {
        Kind = FaultKind.ArgumentMismatch,
        Summary = summary,
        Path = path,
        Cures = [cure],
    };
}
