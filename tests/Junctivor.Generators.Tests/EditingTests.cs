extern alias Generators;

using Generators::Junctivor.Generators.Checking;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;

namespace Junctivor.Generators.Tests;

/// <summary>An edit reads no wiring again unless it can affect one.</summary>
public class EditingTests
{
    private const string Office = """
        public static class Office
        {
            public static readonly Wiring Storage = [Singleton.Of<Depot>().Passing("path", Marks.Quay)];
            [CheckedWiring] public static Wiring All => [.. Storage, Singleton.Of<Desk>(), Singleton.Of<IClock, Clock>()];
        }
        """;

    private const string Classes = """
        public static class Marks { public const string Quay = "quay"; }
        public interface IClock;
        public sealed class Clock : IClock { public int Hour() { return 3; } }
        public sealed class Depot(string path) { public string Path => path; public int Size() { return 1; } }
        public sealed class Desk(IClock clock) { public object Clock => clock; public int Ask() { int answer = 1; return answer; } }
        """;

    private const string Other = """
        public sealed class Other
        {
            private int _turns;
            public int Turn() { _turns++; return _turns; }
            public int Turns => _turns;
        }
        """;

    /// <summary>An edit, and whether what was found before is used again.</summary>
    public static TheoryData<string, string, string, bool> Edits => new()
    {
        { "/Other.cs", "_turns++;", "_turns += 2;", true },
        { "/Other.cs", "public int Turns => _turns;", "public int Turns => _turns + 1;", true },
        { "/Other.cs", "_turns++;", "_turns++", true },
        { "/Classes.cs", "int answer = 1;", "int answer = 2; answer++;", true },
        { "/Classes.cs", "return 3;", "return 4;", true },
        { "/Other.cs", "_turns++;", "Office.Storage.Add(Singleton.Of<Desk>());", false },
        { "/Other.cs", "_turns++;", "new Wiring().Build();", false },
        { "/Other.cs", "private int _turns;", "private int _turns; public int More;", false },
        { "/Classes.cs", "\"quay\"", "\"shore\"", false },
        { "/Classes.cs", "Desk(IClock clock)", "Desk(IClock clock, Other other)", false },
        { "/Office.cs", "Singleton.Of<Desk>()", "Scoped.Of<Desk>()", false },
    };

    [Theory]
    [MemberData(nameof(Edits))]
    public void Only_an_edit_that_can_matter_reads_wirings_again(string file, string before, string after, bool isUsedAgain)
    {
        CSharpCompilation first = Compiled($"Edited {file} {before} {after}", Office, Classes, Other);
        CSharpCompilation second = Edited(first, file, before, after);

        CompilationChecks known = Checked(first);
        CompilationChecks edited = Checked(second);

        Assert.False(known.AreUsedAgain);
        Assert.Equal(isUsedAgain, edited.AreUsedAgain);
        Assert.Equal(TextsOf(Checked(second.WithAssemblyName("Fresh")), second), TextsOf(edited, second));
    }

    [Theory]
    [InlineData("int answer = 1;", "int answer = 2;", true)]
    [InlineData("Desk(IClock clock)", "Desk(Depot depot)", false)]
    public void An_edit_in_a_project_that_is_referenced_counts_if_it_is_of_a_declaration(string before, string after, bool isUsedAgain)
    {
        CSharpCompilation classes = Compiled("Referenced", Classes);
        CSharpCompilation whole = Compiled($"Referencing {before}", Office, Classes, Other);
        CSharpCompilation first = whole.RemoveSyntaxTrees(whole.SyntaxTrees.Single(tree => tree.FilePath == "/Classes.cs"))
            .AddReferences(classes.ToMetadataReference());
        CSharpCompilation second = first.ReplaceReference(
            first.References.Last(), Edited(classes, "/Classes.cs", before, after).ToMetadataReference());

        _ = Checked(first);

        Assert.Equal(isUsedAgain, Checked(second).AreUsedAgain);
    }

    [Fact]
    public void A_diagnostic_goes_with_the_edit_that_ends_its_fault()
    {
        CSharpCompilation faulty = Compiled(
            "Faulty", Office, Classes.Replace("Desk(IClock clock)", "Desk(Other clock)", StringComparison.Ordinal), Other);
        CSharpCompilation sound = Edited(faulty, "/Classes.cs", "Desk(Other clock)", "Desk(IClock clock)");

        Assert.Equal("JV101", Assert.Single(DiagnosticsOf(Checked(faulty), faulty)).Id);
        Assert.Empty(DiagnosticsOf(Checked(sound), sound));
    }

    private static CSharpCompilation Compiled(string name, params IReadOnlyList<string> sources) => AnalyzedSource
        .Of([.. sources.Select(source => (source == Office ? "/Office.cs" : source == Other ? "/Other.cs" : "/Classes.cs", source))])
        .Compilation.WithAssemblyName(name);

    private static CSharpCompilation Edited(CSharpCompilation compilation, string file, string before, string after)
    {
        SyntaxTree tree = compilation.SyntaxTrees.Single(each => each.FilePath == file);
        string text = tree.GetText(TestContext.Current.CancellationToken).ToString();
        return compilation.ReplaceSyntaxTree(tree, tree.WithChangedText(
            Microsoft.CodeAnalysis.Text.SourceText.From(text.Replace(before, after, StringComparison.Ordinal))));
    }

    private static CompilationChecks Checked(CSharpCompilation compilation)
    {
        CompilationChecks checks = new(compilation);
        _ = checks.In(compilation.SyntaxTrees[0], TestContext.Current.CancellationToken);
        return checks;
    }

    private static IReadOnlyList<Diagnostic> DiagnosticsOf(CompilationChecks checks, CSharpCompilation compilation) =>
        [.. compilation.SyntaxTrees.SelectMany(tree => checks.In(tree, TestContext.Current.CancellationToken))];

    private static IEnumerable<string> TextsOf(CompilationChecks checks, CSharpCompilation compilation) =>
        DiagnosticsOf(checks, compilation).Select(each => $"{each}");
}
