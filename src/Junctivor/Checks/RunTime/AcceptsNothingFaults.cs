using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV504: an acceptance that matches nothing.</summary>
internal static class AcceptsNothingFaults
{
    public static Fault Of(ServiceGraph graph, Node node, Acceptance acceptance, FaultKind kind) => new(FaultKind.AcceptsNothing)
    {
        Summary = $"{node.Name} accepts {kind}, but does not have it",
        Path = new FaultPath(graph).Node(node).Path,
        Remarks = [$"The reason given: {acceptance.Reason}"],
        Fixes = [new Fix("remove the .Accept", null, Edits.RemoveOption(node, OptionNames.Accept, acceptance.Code))],
        Candidates = [node.Name],
        Order = node.Order,
        Subject = new FaultSubject.OfOption(node, OptionNames.Accept, acceptance.Code),
    };
}
