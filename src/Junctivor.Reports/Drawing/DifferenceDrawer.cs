using Junctivor.Reports.Comparing;
using Junctivor.Reports.Graphs;
using Junctivor.Reports.Text;

namespace Junctivor.Reports.Drawing;

/// <summary>Makes a drawing of two wirings in one: the later one, with what the earlier one had more, and what differs.</summary>
internal sealed class DifferenceDrawer
{
    private readonly SavedGraph _after;
    private readonly DrawnGraph _was;
    private readonly DrawnGraph _is;
    private readonly IReadOnlyList<GraphChange> _changes;

    /// <summary>The key of each box of the earlier drawing in the common one.</summary>
    private readonly Dictionary<string, string> _common = new(StringComparer.Ordinal);

    private DifferenceDrawer(SavedGraph before, SavedGraph after)
    {
        _after = after;
        _was = GraphDrawer.Draw(before);
        _is = GraphDrawer.Draw(after);
        _changes = GraphComparison.Between(before, after);
    }

    /// <param name="before">The earlier wiring.</param>
    /// <param name="after">The later one.</param>
    /// <param name="name">What both together are called.</param>
    public static DrawnGraph Draw(SavedGraph before, SavedGraph after, string name) => new DifferenceDrawer(before, after).Draw(name);

    private DrawnGraph Draw(string name)
    {
        HashSet<string> added = [.. _is.Nodes.Select(node => node.Key)];
        Match(added, (was, now) => was.Id is { } id && id == now.Id);
        Match(added, IsReplacement);
        Match(added, (was, now) => (was.Title, was.Maker, was.Mark, was.Kind) == (now.Title, now.Maker, now.Mark, now.Kind));

        IReadOnlyList<DrawnNode> removed = [.. _was.Nodes.Where(node => !_common.ContainsKey(node.Key))];
        foreach (DrawnNode node in removed)
        {
            _common.Add(node.Key, $"r{node.Key}");
        }

        HashSet<(string, string, string, string)> were =
            [.. _was.Edges.Select(edge => (_common[edge.From], _common[edge.To], edge.Parameter, edge.Form))];
        HashSet<(string, string, string, string)> are = [.. _is.Edges.Select(edge => (edge.From, edge.To, edge.Parameter, edge.Form))];
        return _is with
        {
            Wiring = name,
            Nodes =
            [
                .. _is.Nodes.Select(node => node with { Changes = ChangesOf(node, added.Contains(node.Key)) }),
                .. removed.Select(node => node with { Key = _common[node.Key], Changes = [new DrawnChange("removed", null, null)] }),
            ],
            Edges =
            [
                .. _is.Edges.Select(edge =>
                    were.Contains((edge.From, edge.To, edge.Parameter, edge.Form)) ? edge : edge with { Change = "added" }),
                .. _was.Edges.Select(edge => edge with { From = _common[edge.From], To = _common[edge.To], Change = "removed" })
                    .Where(edge => !are.Contains((edge.From, edge.To, edge.Parameter, edge.Form))),
            ],
        };
    }

    /// <summary>Takes boxes of both drawings for the same, each once.</summary>
    private void Match(HashSet<string> left, Func<DrawnNode, DrawnNode, bool> areSame)
    {
        foreach (DrawnNode was in _was.Nodes.Where(node => !_common.ContainsKey(node.Key)))
        {
            if (_is.Nodes.FirstOrDefault(now => left.Contains(now.Key) && areSame(was, now)) is { } same)
            {
                _common.Add(was.Key, same.Key);
                left.Remove(same.Key);
            }
        }
    }

    private bool IsReplacement(DrawnNode was, DrawnNode now) => _changes.Any(change =>
        change.Kind == ChangeKind.Replaced && change.RegistrationBefore?.Id == was.Id && change.RegistrationAfter?.Id == now.Id);

    private IReadOnlyList<DrawnChange>? ChangesOf(DrawnNode node, bool isAdded)
    {
        string? written = _after.Registrations.FirstOrDefault(each => each.Id == node.Id)?.FollowsFrom;
        IReadOnlyList<DrawnChange> changes =
        [
            .. _changes.Where(change => change is { Kind: not ChangeKind.Added, RegistrationAfter: { } now }
                    && (now.Id == node.Id || now.Id == written))
                .Select(change => new DrawnChange(
                    CompareText.Heading(change.Kind).ToLowerInvariant(), OrNull(change.Before), OrNull(change.After))),
        ];
        return changes.Count > 0 ? changes : isAdded ? [new DrawnChange("added", null, null)] : null;
    }

    private static string? OrNull(string text) => text.Length == 0 ? null : text;
}
