using System.Runtime.CompilerServices;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;

namespace Junctivor.Generators.Checking;

/// <summary>
/// The sources that a reading of a compilation depends on: the files that it followed code through, the names that it looked for in all
/// files, and of the rest only what is declared. So an edit in a method body elsewhere leaves what was read as it is.
/// </summary>
/// <param name="compilation">The compilation that was read.</param>
/// <param name="followed">The files of which bodies were read.</param>
/// <param name="names">The names that were looked for in all files.</param>
internal sealed class ReadSources(Compilation compilation, IEnumerable<SyntaxTree> followed, IEnumerable<string> names)
{
    private static readonly ConditionalWeakTable<SyntaxTree, HashSet<string>> Identifiers = new();

    private readonly CompilationFiles _files = CompilationFiles.Of(compilation);
    private readonly HashSet<SyntaxTree> _followed = [.. followed];
    private readonly HashSet<string> _names = [.. names];

    /// <summary>Whether reading another compilation would read the same.</summary>
    public bool AreTheSameIn(Compilation other) =>
        _files.ChangesTo(CompilationFiles.Of(other)) is { } changes
        && changes.All(change => !_followed.Contains(change.Before) && !Names(change.Before) && !Names(change.After));

    private bool Names(SyntaxTree tree) => _names.Count > 0 && _names.Overlaps(IdentifiersOf(tree));

    private static HashSet<string> IdentifiersOf(SyntaxTree tree) => Identifiers.GetValue(tree, static each =>
        [.. each.GetRoot().DescendantTokens().Where(token => token.IsKind(SyntaxKind.IdentifierToken)).Select(token => token.ValueText)]);
}
