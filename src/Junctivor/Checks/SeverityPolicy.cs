using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>Returns what was found the weight that a wiring and its registrations want it to have.</summary>
internal sealed class SeverityPolicy(ServiceGraph graph, IReadOnlyDictionary<string, Severity>? severities, bool warningsAreErrors)
{
    private HashSet<(Node, Acceptance)>? _used;

    public CheckReport Apply(IEnumerable<Fault> found)
    {
        List<Fault> all = [];
        List<Fault> accepted = [];
        foreach (Fault each in found)
        {
            Fault fault = WithoutSharedEdits(each);
            if (Accept(fault) is { } reason)
            {
                accepted.Add(fault with { AcceptedBecause = reason });
            }
            else
            {
                all.Add(Apply(fault));
            }
        }

        if (IsAnythingAccepted())
        {
            AddAcceptingNothing(all);
        }

        return new CheckReport(all, accepted);
    }

    /// <summary>A helper method that registers several services writes all of them in one place: an edit there would change them
    /// all.</summary>
    private Fault WithoutSharedEdits(Fault fault) => fault.Fixes.Any(IsOfSeveral)
        ? fault with { Fixes = [.. fault.Fixes.Select(fix => IsOfSeveral(fix) ? fix with { Edits = [] } : fix)] }
        : fault;

    private bool IsOfSeveral(Fix fix) => fix.Edits.Any(edit =>
        edit.Line > 0 && (CountAt(edit.File, edit.Line, edit.Type) > 1 || CountAt(edit.TargetFile, edit.TargetLine, null) > 1));

    private int CountAt(string file, int line, string? type) => graph.Registrations.Count(node =>
        line > 0 && node.Place == new SourcePlace(file, line) && (type is null || node.Implementation.DefinitionName == type));

    private void AddAcceptingNothing(List<Fault> all) => all.AddRange(AcceptingNothing().Select(Apply));

    private bool IsAnythingAccepted()
    {
        for (int number = 0; number < graph.Registrations.Count; number++)
        {
            if (graph.Registrations[number].Options.Accepted.Count > 0)
            {
                return true;
            }
        }

        return false;
    }

    private Fault Apply(Fault fault)
    {
        if (severities is not null && severities.TryGetValue(fault.Code, out Severity told))
        {
            return Raised(fault, told, "Severities");
        }

        return warningsAreErrors && fault.Severity == Severity.Warning ? Raised(fault, Severity.Error, "WarningsAreErrors") : fault;
    }

    /// <summary>Says what makes a warning or note stop the build.</summary>
    private static Fault Raised(Fault fault, Severity severity, string option) => fault with
    {
        Severity = severity,
        Remarks = severity == Severity.Error && fault.Severity != Severity.Error
            ? [.. fault.Remarks,
                $"By default this is a {(fault.Severity == Severity.Warning ? "warning" : "note")}; {option} makes it stop the build."]
            : fault.Remarks,
    };

    /// <summary>The reason, where a registration on the path accepts it.</summary>
    private string? Accept(Fault fault)
    {
        string? reason = null;
        foreach (Node node in fault.Path.Select(step => step.Node).OfType<Node>().SelectMany(AllWritten))
        {
            foreach (Acceptance acceptance in node.Options.Accepted.Where(acceptance => Of(acceptance) == fault.Kind))
            {
                (_used ??= []).Add((node, acceptance));
                reason ??= acceptance.Reason;
            }
        }

        return reason;
    }

    private IEnumerable<Fault> AcceptingNothing() =>
        from node in graph.Registrations
        where graph.Effective.Counts(node)
        from acceptance in node.Options.Accepted
        let kind = Of(acceptance)
        where kind is not null && !ShowsElsewhere(kind) && _used?.Contains((node, acceptance)) != true
        select AcceptsNothingFaults.Of(graph, node, acceptance, kind);

    /// <summary>What shows itself only where there is a branch: an acceptance of it may well wait.</summary>
    private static bool ShowsElsewhere(FaultKind kind) => kind == FaultKind.BranchNotSeen;

    private static FaultKind? Of(Acceptance acceptance) => FaultKind.Find(acceptance.Code) is { CanBeLowered: true } kind ? kind : null;

    /// <summary>The registrations that a node follows from: its own, and that of what it decorates.</summary>
    private static IEnumerable<Node> AllWritten(Node node)
    {
        for (Node? current = node; current is not null; current = current.Inner)
        {
            yield return current.Registration;
        }
    }
}
