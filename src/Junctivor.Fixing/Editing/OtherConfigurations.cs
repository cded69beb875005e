using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Junctivor.Fixing.Editing;

/// <summary>Refuses an edit after which another configuration would not compile any more: one in which a symbol of an <c>#if</c> in a
/// changed file is defined that is not now, or the other way round.</summary>
internal static class OtherConfigurations
{
    /// <summary>Of a file with more symbols, these are tried.</summary>
    private const int MostSymbols = 6;

    /// <exception cref="CannotEditException">Another configuration would not compile.</exception>
    public static void Refuse(CSharpCompilation before, CSharpCompilation after)
    {
        foreach (string symbol in SymbolsIn(before, after).Take(MostSymbols))
        {
            (CSharpCompilation old, string state) = Toggled(before, symbol);
            if (!IsReadable(old))
            {
                continue;
            }

            HashSet<string> known = [.. NameRepair.ErrorsOf(old).Select(error => error.GetMessage(null))];
            if (NameRepair.ErrorsOf(Toggled(after, symbol).Sources).FirstOrDefault(error => !known.Contains(error.GetMessage(null)))
                is { } broken)
            {
                throw new CannotEditException($"with {symbol} {state}, {NameRepair.NotCompiling(broken)}");
            }
        }
    }

    /// <summary>The symbols that were not tried: there are too many, or the source cannot even be read with them.</summary>
    public static IEnumerable<string> Untried(CSharpCompilation before, CSharpCompilation after) =>
        SymbolsIn(before, after).Where((symbol, number) => number >= MostSymbols || !IsReadable(Toggled(before, symbol).Sources));

    /// <summary>Of what is no C#, it cannot be told whether a change breaks it.</summary>
    private static bool IsReadable(CSharpCompilation sources) => !sources.SyntaxTrees
        .Any(tree => tree.GetDiagnostics().Any(problem => problem.Severity == DiagnosticSeverity.Error));

    /// <summary>The symbols that the changed files ask for.</summary>
    private static IReadOnlyList<string> SymbolsIn(CSharpCompilation before, CSharpCompilation after)
    {
        HashSet<SyntaxTree> kept = [.. after.SyntaxTrees];
        return
        [
            .. before.SyntaxTrees.Where(tree => !kept.Contains(tree))
                .SelectMany(tree => tree.GetRoot().DescendantNodes(descendIntoTrivia: true).OfType<ConditionalDirectiveTriviaSyntax>())
                .SelectMany(directive => directive.Condition.DescendantNodesAndSelf().OfType<IdentifierNameSyntax>())
                .Select(name => name.Identifier.ValueText)
                .Distinct()
                .OrderBy(name => name, StringComparer.Ordinal),
        ];
    }

    private static (CSharpCompilation Sources, string State) Toggled(CSharpCompilation sources, string symbol)
    {
        bool isDefined = sources.SyntaxTrees.First().Options.PreprocessorSymbolNames.Contains(symbol);
        CSharpCompilation toggled = sources.RemoveAllSyntaxTrees().AddSyntaxTrees(sources.SyntaxTrees.Select(tree =>
        {
            CSharpParseOptions options = (CSharpParseOptions)tree.Options;
            IEnumerable<string> defined = options.PreprocessorSymbolNames;
            return CSharpSyntaxTree.ParseText(
                tree.GetText(),
                options.WithPreprocessorSymbols(isDefined ? defined.Where(each => each != symbol) : defined.Append(symbol)),
                tree.FilePath);
        }));
        return (toggled, isDefined ? "not defined" : "defined");
    }
}
