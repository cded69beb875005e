using Junctivor.Checks;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.Text;

namespace Junctivor.Fixing.Editing;

/// <summary>Applies the edits of one fix to the sources of a compilation. Nothing is written to a file here.</summary>
internal static class SourceEditor
{
    /// <summary>The compilation with the edits.</summary>
    /// <exception cref="CannotEditException">An edit cannot be made, or what comes out does not compile, in this configuration or in
    /// another.</exception>
    public static CSharpCompilation Apply(CSharpCompilation before, IReadOnlyList<SourceEdit> edits)
    {
        Dictionary<SyntaxTree, List<TextChange>> changes = [];
        foreach (SourceChange change in edits.SelectMany(edit => ChangesOf(before, edit)).Distinct())
        {
            if (!changes.TryGetValue(change.Tree, out List<TextChange>? inTree))
            {
                changes.Add(change.Tree, inTree = []);
            }

            inTree.Add(change.Text);
        }

        CSharpCompilation after = before;
        HashSet<string> changedFiles = [];
        foreach ((SyntaxTree tree, List<TextChange> inTree) in changes)
        {
            after = after.ReplaceSyntaxTree(tree, tree.WithChangedText(With(tree.GetText(), inTree)));
            changedFiles.Add(tree.FilePath);
        }

        CSharpCompilation repaired = NameRepair.Of(before, after, changedFiles);
        OtherConfigurations.Refuse(before, repaired);
        return repaired;
    }

    private static IEnumerable<SourceChange> ChangesOf(CSharpCompilation compilation, SourceEdit edit) => edit.Kind switch
    {
        SourceEditKind.ChangeParameter when edit.File.Length > 0 => FactoryEditor.ChangesOf(compilation, edit),
        SourceEditKind.ChangeParameter => ParameterEditor.ChangesOf(compilation, edit),
        SourceEditKind.AddAttribute or SourceEditKind.MakeConstructorPublic or SourceEditKind.AddInterface =>
            ClassEditor.ChangesOf(compilation, edit),
        SourceEditKind.MoveWork => WorkEditor.ChangesOf(compilation, edit),
        SourceEditKind.TakeResolved => ResolvedEditor.ChangesOf(compilation, edit),
        SourceEditKind.StartScope or SourceEditKind.AwaitBefore or SourceEditKind.SupplyAs => CallEditor.ChangesOf(compilation, edit),
        SourceEditKind.NestLevel => LevelEditor.ChangesOf(compilation, edit),
        _ => RegistrationEditor.ChangesOf(compilation, edit),
    };

    private static SourceText With(SourceText text, List<TextChange> changes)
    {
        changes.Sort((one, other) => one.Span.CompareTo(other.Span));
        if (changes.Zip(changes.Skip(1)).Any(pair => pair.First.Span.OverlapsWith(pair.Second.Span)))
        {
            throw new CannotEditException("two of its changes are at the same place");
        }

        return text.WithChanges(changes);
    }
}
