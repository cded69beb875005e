using Junctivor.Checks;
using Junctivor.Graph;

namespace Junctivor.CodeFixes;

/// <summary>
/// The choices where there is one registration too many, each as a fix of its own: to keep one, or to make one the default. Which is meant
/// only the developer knows, so "fix all" makes none of them.
/// </summary>
internal static class Choices
{
    /// <summary>The choices that a fix of the fault is one of; null if it is none.</summary>
    public static IReadOnlyList<(string Title, Fix Fix)>? InPlaceOf(Fault fault, Fix fix)
    {
        IReadOnlyList<Node> candidates = fault.Subject is FaultSubject.OfSecond
            ? [.. fault.Path.Where(step => step.Depth == fault.Path[fault.Path.Count - 1].Depth).Select(step => step.Node).OfType<Node>()]
            : [];
        return candidates.Count < 2 ? null
            : fix.Edits.All(IsDefault) ? [.. candidates.Select(MadeDefault)]
            : fix.Edits.All(edit => edit.Kind == SourceEditKind.RemoveRegistration)
                ? [.. candidates.Select(node => Kept(node, [.. candidates.Where(other => other != node)]))]
            : null;
    }

    private static bool IsDefault(SourceEdit edit) =>
        edit.Kind == SourceEditKind.AppendOption && edit.Text == OptionNames.Call(RegistrationFlags.FirstChoice);

    private static (string, Fix) MadeDefault(Node node) =>
    (
        $"Make {Named(node)} the default",
        new Fix("make it the default where a single instance is required", null,
            Edits.Append(node, OptionNames.Call(RegistrationFlags.FirstChoice)))
        {
            ByHandBecause = Checks.ByHand.WhichIsMeant,
        }
    );

    private static (string, Fix) Kept(Node node, IReadOnlyList<Node> others) =>
    (
        $"Keep {Named(node)}, remove {(others.Count == 1 ? "the other one" : $"{others.Count} others")}",
        new Fix("keep it and remove the others, which can then no longer be used", null, Edits.Remove(others))
        {
            ChangesBehavior = true,
        }
    );

    private static string Named(Node node) => node.Place.IsKnown ? $"{node.Name} (line {node.Place.Line})" : node.Name;
}
