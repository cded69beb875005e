extern alias Generators;

using Generators::Junctivor.Generators.Checking;
using Junctivor.Writing;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Text;

namespace Junctivor.Generators.Tests;

/// <summary>Random edits of random programs: an editor, which reads again only what an edit can affect, shows what a build would
/// report.</summary>
public class RandomEditTests
{
    private const int Batches = 8;
    private const int Programs = 6;
    private const int Edits = 25;

    private static readonly string[] Lifetimes = ["Singleton", "Scoped", "Transient"];

    private static readonly string[] Members =
    [
        "public int Added;", "public IDisposable Made() => throw new NotSupportedException();", "private readonly DateTime _made = DateTime.Now;",
        "[Inject] public object Filled { get; set; } = null!;", "public const int Most = 3;", "public interface IWithin;",
        "public static Wiring More => [];", "public void Dispose() { }",
    ];

    public static TheoryData<int> Seeds => [.. Enumerable.Range(1, Batches)];

    [Theory]
    [MemberData(nameof(Seeds))]
    public void What_is_kept_after_an_edit_is_what_is_found_anew(int seed)
    {
        Random random = new(seed);
        CSharpCompilation edited = AnalyzedSource
            .Of([.. Enumerable.Range(0, Programs).SelectMany(number => FilesOf(seed, number))])
            .AsProject($"Edited {seed}");
        _ = Shown(edited);
        int kept = 0;
        for (int edit = 0; edit < Edits; edit++)
        {
            CSharpCompilation before = edited;
            edited = Edit(edited, random);
            CompilationChecks checks = new(edited);
            IReadOnlyList<string> shown = Shown(edited, checks);
            kept += checks.IsReadAgain ? 0 : 1;
            IReadOnlyList<string> anew = Shown(edited.WithOptions(edited.Options.WithOverflowChecks(!edited.Options.CheckOverflow)));

            Assert.True(shown.SequenceEqual(anew), $"{string.Join("\n", shown)}\n--- anew\n{string.Join("\n", anew)}\n{Difference(before, edited)}");
        }

        Assert.InRange(kept, 1, Edits);
    }

    private static (string File, string Text)[] FilesOf(int seed, int number)
    {
        WrittenProgram program = ProgramWriter.Write(number, (seed * 100) + number, "Switches");
        return [(program.File, program.Text), (program.SharedFile, program.Shared)];
    }

    private static IReadOnlyList<string> Shown(CSharpCompilation compilation) => Shown(compilation, new CompilationChecks(compilation));

    private static IReadOnlyList<string> Shown(CSharpCompilation compilation, CompilationChecks checks) =>
    [
        .. compilation.SyntaxTrees.SelectMany(tree => checks.In(tree, TestContext.Current.CancellationToken))
            .Select(each => $"{each} {string.Join(' ', each.AdditionalLocations)}"),
    ];

    private static string Difference(CSharpCompilation before, CSharpCompilation after) =>
        string.Join("\n", before.SyntaxTrees.Zip(after.SyntaxTrees).Where(pair => pair.First != pair.Second)
            .Select(pair => $"--- before {pair.First.FilePath}\n{pair.First}\n--- after\n{pair.Second}"));

    private static CSharpCompilation Edit(CSharpCompilation compilation, Random random)
    {
        SyntaxTree tree = compilation.SyntaxTrees[random.Next(compilation.SyntaxTrees.Length)];
        SyntaxNode root = tree.GetRoot(TestContext.Current.CancellationToken);
        string text = root.ToFullString();
        (TextSpan span, string put) = random.Next(8) switch
        {
            0 => Removed(root.DescendantNodes().OfType<CollectionElementSyntax>(), random),
            1 => Other(root.DescendantNodes().OfType<IdentifierNameSyntax>().Where(name => Lifetimes.Contains($"{name}")), random),
            2 => Removed(root.DescendantNodes().OfType<ParameterSyntax>(), random),
            3 => Taken(root, random),
            4 => Inserted(EndsOfTypes(root), Members[random.Next(Members.Length)], random),
            5 => Removed(root.DescendantNodes().OfType<StatementSyntax>().Where(statement => statement is not BlockSyntax), random),
            6 => Inserted([0], "// A note.\n", random),
            _ => Removed(MembersIn(root), random),
        };
        string changed = string.Concat(text.AsSpan(0, span.Start), put, text.AsSpan(span.End));
        return compilation.ReplaceSyntaxTree(tree, tree.WithChangedText(SourceText.From(changed)));
    }

    private static (TextSpan, string) Removed(IEnumerable<SyntaxNode> nodes, Random random) =>
        Any(nodes, random) is { } node ? (WithComma(node), "") : (default, "");

    /// <summary>A list keeps its form without one of its elements.</summary>
    private static TextSpan WithComma(SyntaxNode node) => node.GetLastToken().GetNextToken() is var next
        && next.IsKind(SyntaxKind.CommaToken) && node is CollectionElementSyntax or ParameterSyntax
            ? TextSpan.FromBounds(node.SpanStart, next.Span.End)
            : node.Span;

    private static (TextSpan, string) Other(IEnumerable<SyntaxNode> names, Random random) =>
        Any(names, random) is { } name ? (name.Span, Lifetimes[random.Next(Lifetimes.Length)]) : (default, "");

    /// <summary>One more constructor parameter, of a type that the file declares.</summary>
    private static (TextSpan, string) Taken(SyntaxNode root, Random random)
    {
        IReadOnlyList<BaseTypeDeclarationSyntax> types = [.. root.DescendantNodes().OfType<BaseTypeDeclarationSyntax>()];
        return Any(root.DescendantNodes().OfType<ParameterListSyntax>().Where(list => list.Parent is TypeDeclarationSyntax), random)
            is ParameterListSyntax list && Any(types, random) is BaseTypeDeclarationSyntax type
                ? (new(list.CloseParenToken.SpanStart, 0), $"{(list.Parameters.Count > 0 ? ", " : "")}{type.Identifier} taken{random.Next(1000)}")
                : (default, "");
    }

    private static (TextSpan, string) Inserted(IEnumerable<int> places, string put, Random random)
    {
        IReadOnlyList<int> all = [.. places];
        return all.Count > 0 ? (new(all[random.Next(all.Count)], 0), $" {put} ") : (default, "");
    }

    private static IEnumerable<MemberDeclarationSyntax> MembersIn(SyntaxNode root) => root.DescendantNodes()
        .OfType<MemberDeclarationSyntax>()
        .Where(member => member is not BaseNamespaceDeclarationSyntax);

    private static IEnumerable<int> EndsOfTypes(SyntaxNode root) => root.DescendantNodes().OfType<TypeDeclarationSyntax>()
        .Where(type => type.CloseBraceToken is { IsMissing: false, SpanStart: > 0 })
        .Select(type => type.CloseBraceToken.SpanStart);

    private static SyntaxNode? Any(IEnumerable<SyntaxNode> nodes, Random random)
    {
        IReadOnlyList<SyntaxNode> all = [.. nodes];
        return all.Count > 0 ? all[random.Next(all.Count)] : null;
    }
}
