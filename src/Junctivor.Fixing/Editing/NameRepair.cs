using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Text;

namespace Junctivor.Fixing.Editing;

/// <summary>Makes the names that were written known where they stand: by a using directive, or by a longer name.</summary>
internal static class NameRepair
{
    private const int MostRounds = 8;

    private static readonly string[] UnknownName = ["CS0246", "CS0103", "CS0234", "CS0305", "CS0308"];

    /// <summary>The namespaces of what fixes write that is not the user's own.</summary>
    private static readonly Dictionary<string, string> Namespaces = new(StringComparer.Ordinal)
    {
        ["Func"] = "System",
        ["Lazy"] = "System",
        ["TimeProvider"] = "System",
        ["Random"] = "System",
        ["IReadOnlyList"] = "System.Collections.Generic",
        ["HttpClient"] = "System.Net.Http",
        ["FreshScope"] = "Junctivor",
        ["Container"] = "Junctivor",
        ["Scope"] = "Junctivor",
        ["Inject"] = "Junctivor",
        ["Marked"] = "Junctivor",
        ["IncludingMarked"] = "Junctivor",
    };

    /// <summary>The compilation in which all new names are known.</summary>
    /// <exception cref="CannotEditException">It does not compile, and the one before did.</exception>
    public static CSharpCompilation Of(CSharpCompilation before, CSharpCompilation after, HashSet<string> changedFiles)
    {
        HashSet<string> known = [.. ErrorsOf(before).Select(error => error.GetMessage(null))];
        for (int round = 0; round < MostRounds; round++)
        {
            if (ErrorsOf(after).FirstOrDefault(error => !known.Contains(error.GetMessage(null))) is not { } error)
            {
                return after;
            }

            if (!UnknownName.Contains(error.Id) || error.Location.SourceTree is not { } tree || !changedFiles.Contains(tree.FilePath)
                || Repair(after, tree, error.Location.SourceSpan) is not { } change)
            {
                throw new CannotEditException(NotCompiling(error));
            }

            after = after.ReplaceSyntaxTree(tree, tree.WithChangedText(tree.GetText().WithChanges(change)));
        }

        throw new CannotEditException("the changed source would have names that are not known there");
    }

    /// <summary>That a change does not compile, with the place; the text of the compiler is about code that nobody has seen.</summary>
    public static string NotCompiling(Diagnostic error) =>
        $"the changed source would not compile ({error.Id} at {Path.GetFileName(error.Location.GetLineSpan().Path)}:"
            + $"{error.Location.GetLineSpan().StartLinePosition.Line + 1})";

    public static IEnumerable<Diagnostic> ErrorsOf(CSharpCompilation compilation) =>
        compilation.GetDiagnostics().Where(found => found.Severity == DiagnosticSeverity.Error);

    private static TextChange? Repair(CSharpCompilation compilation, SyntaxTree tree, TextSpan span)
    {
        if (tree.GetRoot().FindNode(span, getInnermostNodeForTie: true).FirstAncestorOrSelf<SimpleNameSyntax>() is not { } name)
        {
            return null;
        }

        int arity = name is GenericNameSyntax generic ? generic.TypeArgumentList.Arguments.Count : 0;
        List<INamedTypeSymbol> candidates = [.. compilation.GetSymbolsWithName(name.Identifier.ValueText, SymbolFilter.Type)
            .OfType<INamedTypeSymbol>()
            .Where(type => type.Arity == arity)];
        return candidates switch
        {
            [INamedTypeSymbol only] => new TextChange(
                name.Identifier.Span, only.ToMinimalDisplayString(
                    compilation.GetSemanticModel(tree), name.SpanStart,
                    SymbolDisplayFormat.MinimallyQualifiedFormat.WithGenericsOptions(SymbolDisplayGenericsOptions.None))),
            [] when Namespaces.TryGetValue(name.Identifier.ValueText, out string? space) => Import(tree, space),
            _ => null,
        };
    }

    private static TextChange Import(SyntaxTree tree, string space)
    {
        CompilationUnitSyntax root = (CompilationUnitSyntax)tree.GetRoot();
        string newLine = Lines.BreakOf(tree);
        UsingDirectiveSyntax? before = root.Usings.LastOrDefault(
            each => each.Name is { } name && string.CompareOrdinal(name.ToString(), space) < 0);
        return before is not null
            ? new TextChange(new TextSpan(before.Span.End, 0), $"{newLine}using {space};")
            : new TextChange(
                new TextSpan(root.GetFirstToken().SpanStart, 0),
                $"using {space};{newLine}{(root.Usings.Count == 0 ? newLine : "")}");
    }
}
