using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV106: a constant that no parameter takes; and what is said of an argument that none takes.</summary>
internal sealed class ArgumentMismatchRule : NodeRule
{
    protected override bool Concerns(Node node) => node.Options.UnmatchedArguments.Count > 0;

    public override IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        nodes.Where(node => node.Options.UnmatchedArguments.Count > 0)
            .SelectMany(node => node.Options.UnmatchedArguments.Select(mismatch => Found(graph, node, mismatch)));

    private static Fault Found(ServiceGraph graph, Node node, UnmatchedArgument mismatch) =>
        Found(mismatch.Text, new FaultPath(graph).Node(node).Path, FixOf(node, mismatch)) with
        {
            Candidates = [node.Name],
            Order = node.Order,
            Subject = new FaultSubject.OfOption(node, OptionNames.Passing, null, mismatch.Number),
        };

    private static Fix FixOf(Node node, UnmatchedArgument mismatch) => mismatch switch
    {
        { ToName: { Count: > 0 } names } =>
            new Fix("pass each by the name of its parameter", string.Concat(names.Select(RegistrationText.Passing))),
        { NearName: { } near } => new Fix(
            "if that one is meant, write",
            RegistrationText.Passing(near),
            mismatch.PassedName is { } passed ? Edits.RenamePassed(node, passed, near) : []),
        _ => new Fix($"use the name and type of a parameter of {node.Implementation.Name}({node.ChosenConstructor})"),
    };

    public static Fault Untaken(Binding.Untaken binding, IReadOnlyList<FaultStep> path)
    {
        string arguments = string.Join(" and ", binding.Arguments.Select(argument => argument.Name));
        return Found(
            $"{binding.Made.Name} has no constructor parameter for the argument {arguments}",
            path,
            new Fix($"pass only arguments that match a constructor parameter of {binding.Made.Name} by type")) with
        { Candidates = [binding.Made.Name] };
    }

    private static Fault Found(string summary, IReadOnlyList<FaultStep> path, Fix fix) => new(FaultKind.ArgumentMismatch)
    {
        Summary = summary,
        Path = path,
        Fixes = [fix],
    };
}
