using System.Runtime.CompilerServices;
using Junctivor.Generators.Following;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;

namespace Junctivor.Generators.Checking;

/// <summary>The files that differ between two states of a project.</summary>
/// <param name="files">Each file, before and after.</param>
internal sealed class SourceEdits(IReadOnlyList<(SyntaxTree Before, SyntaxTree After)> files)
{
    private static readonly ConditionalWeakTable<SyntaxTree, HashSet<string>> Identifiers = new();

    public IReadOnlyList<(SyntaxTree Before, SyntaxTree After)> Files => files;

    /// <summary>Whether something that was read before would be read differently after.</summary>
    public bool Affect(SourceDependencies read) =>
        files.Any(file => read.Files.Contains(file.Before) || AnyIn(file.Before, read.Names) || AnyIn(file.After, read.Names));

    /// <summary>Whether a file has any of some names.</summary>
    public static bool AnyIn(SyntaxTree file, IReadOnlyCollection<string> names) =>
        names.Count > 0 && Identifiers.GetValue(file, static each =>
        [
            .. each.GetRoot().DescendantTokens().Where(token => token.IsKind(SyntaxKind.IdentifierToken)).Select(token => token.ValueText),
        ]).Overlaps(names);
}
