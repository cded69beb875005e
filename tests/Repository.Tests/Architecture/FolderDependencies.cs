using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Repository.Tests.Architecture;

/// <summary>Finds where the code of one folder names something of another folder that it must not know.</summary>
/// <param name="allowed">For each folder, those that it may name.</param>
/// <param name="assembling">The folder that may name all others, and that holds parts of their types: none of these counts as its
/// own.</param>
internal sealed class FolderDependencies(IReadOnlyDictionary<string, string[]> allowed, string assembling)
{
    /// <param name="sources">The files: their paths within the project, and their text.</param>
    /// <param name="references">What they refer to.</param>
    /// <returns>One line for each violation, with file, line, name and folder; and one for each folder that is not in the list.</returns>
    public IReadOnlyList<string> Violations(IEnumerable<(string Path, string Text)> sources, IEnumerable<MetadataReference> references)
    {
        CSharpCompilation compilation = CSharpCompilation.Create(
            "Inspected",
            sources.Select(source => CSharpSyntaxTree.ParseText(source.Text, path: source.Path)),
            references,
            new CSharpCompilationOptions(OutputKind.DynamicallyLinkedLibrary, nullableContextOptions: NullableContextOptions.Enable));
        return [.. compilation.SyntaxTrees.SelectMany(tree => Violations(compilation.GetSemanticModel(tree)))
            .Distinct()
            .Order(StringComparer.Ordinal)];
    }

    private IEnumerable<string> Violations(SemanticModel model)
    {
        string from = FolderOf(model.SyntaxTree);
        if (from == assembling || from.Length == 0)
        {
            yield break;
        }

        if (!allowed.TryGetValue(from, out string[]? known))
        {
            yield return $"{model.SyntaxTree.FilePath}: the folder {from} is not in the list.";
            yield break;
        }

        foreach (SimpleNameSyntax name in model.SyntaxTree.GetRoot().DescendantNodes().OfType<SimpleNameSyntax>())
        {
            if (name.Ancestors().OfType<UsingDirectiveSyntax>().Any() || model.GetSymbolInfo(name).Symbol is not { } symbol)
            {
                continue;
            }

            string? to = FolderOf(symbol.OriginalDefinition);
            if (to is not null && to.Length > 0 && to != from && !known.Contains(to))
            {
                yield return $"{model.SyntaxTree.FilePath}:{name.GetLocation().GetLineSpan().StartLinePosition.Line + 1} names "
                    + $"{symbol.Name}, which is in {to}.";
            }
        }
    }

    /// <summary>The folder of a type, or of the type of a member; null for what is not declared in the sources.</summary>
    private string? FolderOf(ISymbol symbol)
    {
        ISymbol? counted = symbol is INamedTypeSymbol or INamespaceSymbol ? symbol : symbol.ContainingType is null ? null : symbol;
        return counted is null or INamespaceSymbol
            ? null
            : counted.Locations
                .Where(location => location.IsInSource)
                .Select(location => FolderOf(location.SourceTree!))
                .OrderBy(folder => folder == assembling)
                .FirstOrDefault();
    }

    private static string FolderOf(SyntaxTree tree) =>
        tree.FilePath.Contains('/', StringComparison.Ordinal) ? tree.FilePath[..tree.FilePath.IndexOf('/', StringComparison.Ordinal)] : "";
}
