extern alias Generators;

using Generators::Junctivor.Generators;
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
            [CheckedWiring] public static Wiring All => [.. Storage, .. Harbour.Quays, Singleton.Of<Desk>(), Singleton.Of<IClock, Clock>()];
        }
        """;

    private const string Harbour = """
        public static class Harbour
        {
            public static Wiring Quays => [Singleton.Of<IQuay, Quay>(), .. Cranes(), Singleton.From(() => new Basin())];
            private static Wiring Cranes() => [Transient.Of<Crane>()];
        }
        public interface IQuay;
        public sealed class Quay(Crane crane) : IQuay { public object Crane => crane; }
        """;

    private const string Classes = """
        public static class Marks { public const string Quay = "quay"; }
        public interface IClock;
        public sealed class Clock : IClock { public int Hour() { return 3; } }
        public sealed class Depot(string path) { public string Path => path; public int Size() { return 1; } }
        public sealed class Desk(IClock clock) { public object Clock => clock; public int Ask() { int answer = 1; return answer; } }
        public class Crane { public int Height => 3; }
        public sealed class Basin { public int Depth; }
        """;

    private const string Other = """
        public sealed class Other
        {
            private int _turns;
            public int Turn() { _turns++; return _turns; }
            public int Turns => _turns;
        }
        """;

    /// <summary>What an edit leaves of what was read before.</summary>
    public enum Kept
    {
        /// <summary>The diagnostics.</summary>
        All,

        /// <summary>What was followed and read of other files.</summary>
        OtherFiles,

        /// <summary>Nothing.</summary>
        Nothing,
    }

    public static TheoryData<string, string, string, Kept> Edits => new()
    {
        { "/Other.cs", "_turns++;", "_turns += 2;", Kept.All },
        { "/Other.cs", "public int Turns => _turns;", "public int Turns => _turns + 1;", Kept.All },
        { "/Other.cs", "_turns++;", "_turns++", Kept.All },
        { "/Classes.cs", "int answer = 1;", "int answer = 2; answer++;", Kept.All },
        { "/Classes.cs", "return 3;", "return 4;", Kept.All },
        { "/Other.cs", "_turns++;", "Office.Storage.Add(Singleton.Of<Desk>());", Kept.OtherFiles },
        { "/Other.cs", "_turns++;", "new Wiring().Build();", Kept.OtherFiles },
        { "/Other.cs", "private int _turns;", "private int _turns; public int More;", Kept.OtherFiles },
        { "/Classes.cs", "Desk(IClock clock)", "Desk(IClock clock, Other other)", Kept.OtherFiles },
        { "/Classes.cs", "Desk(IClock clock)", "Desk(IClock clock, Oth other)", Kept.OtherFiles },
        { "/Classes.cs", "class Crane {", "class Crane : IDisposable { public void Dispose() { }", Kept.Nothing },
        { "/Classes.cs", "class Crane {", "class Crane { public DateTime Built { get; } = DateTime.Now;", Kept.OtherFiles },
        { "/Classes.cs", "class Crane {", "class Crane { [Inject] public Other Other { get; set; } = null!;", Kept.OtherFiles },
        { "/Classes.cs", "class Crane {", "class Crane { private Crane() { }", Kept.OtherFiles },
        { "/Classes.cs", "class Basin {", "class Basin { public Basin(int depth) { }", Kept.Nothing },
        { "/Classes.cs", "class Clock : IClock { ", "class Clock : IClock { public static Wiring Quays => []; ", Kept.Nothing },
        { "/Classes.cs", "class Crane {", "class Crane { public sealed class Quay : IQuay;", Kept.Nothing },
        { "/Classes.cs", "\"quay\"", "\"shore\"", Kept.Nothing },
        { "/Office.cs", "Singleton.Of<Desk>()", "Scoped.Of<Desk>()", Kept.OtherFiles },
        { "/Office.cs", "Singleton.Of<Desk>(), ", "", Kept.OtherFiles },
        { "/Office.cs", "Singleton.Of<Desk>()", "Scoped.Of<Depot>()", Kept.OtherFiles },
        { "/Office.cs", "public static class", "// A note.\npublic static class", Kept.OtherFiles },
        { "/Office.cs", "Singleton.Of<Desk>()", ".. Harbour.Quays", Kept.OtherFiles },
        { "/Harbour.cs", "Transient.Of<Crane>()", "Transient.Of<Cra>()", Kept.OtherFiles },
        { "/Harbour.cs", "Transient.Of<Crane>()", "", Kept.OtherFiles },
        { "/Harbour.cs", "Transient.Of<Crane>()", "Scoped.Of<Crane>(), Transient.Of<Desk>()", Kept.OtherFiles },
        { "/Harbour.cs", "Quay(Crane crane)", "Quay(Crane crane, Desk desk)", Kept.OtherFiles },
        { "/Harbour.cs", "private static Wiring Cranes()", "private static Wiring Cranes(bool all = true)", Kept.OtherFiles },
    };

    [Theory]
    [MemberData(nameof(Edits))]
    public void An_edit_reads_again_what_it_can_matter_to(string file, string before, string after, Kept kept)
    {
        CSharpCompilation first = Compiled($"Edited {file} {before} {after}");
        CSharpCompilation second = Edited(first, file, before, after);
        CSharpCompilation third = Edited(second, file, after.Length > 0 ? after : ", , ", before);

        CompilationChecks known = Checked(first);
        CompilationChecks edited = Checked(second);
        CompilationChecks undone = Checked(third);

        Assert.True(known.IsReadAgain);
        Assert.Equal(kept, edited.AreUsedAgain ? Kept.All : edited.IsReadAgain ? Kept.Nothing : Kept.OtherFiles);
        Assert.Equal(TextsOf(Checked(Anew(second)), second), TextsOf(edited, second));
        Assert.Equal(TextsOf(Checked(Anew(third)), third), TextsOf(undone, third));
    }

    /// <summary>An editor checks what the generator has written into the project, too: other text after each edit of a wiring.</summary>
    [Theory]
    [MemberData(nameof(Edits))]
    public void What_the_generator_writes_does_not_count(string file, string before, string after, Kept kept)
    {
        CSharpCompilation first = Compiled($"Generated {file} {before} {after}");
        CSharpCompilation second = Generated(Edited(first, file, before, after));

        _ = Checked(Generated(first));
        CompilationChecks edited = Checked(second);

        Assert.Equal(kept == Kept.Nothing, edited.IsReadAgain);
        Assert.Equal(TextsOf(Checked(Anew(second)), second), TextsOf(edited, second));
    }

    [Fact]
    public void Edits_one_after_the_other_are_shown_as_a_build_reports_them()
    {
        CSharpCompilation edited = Compiled("One after the other");
        _ = Checked(edited);
        foreach ((string file, string before, string after, Kept kept) in Edits.Select(row => row.Data).Where(row => row.Item3.Length > 0))
        {
            edited = Edited(edited, file, before, after);
            CompilationChecks checks = Checked(edited);

            Assert.Equal(TextsOf(Checked(Anew(edited)), edited), TextsOf(checks, edited));
            Assert.True(kept == Kept.Nothing || !checks.IsReadAgain, $"{file}: {before} → {after}");
        }
    }

    [Theory]
    [InlineData("Singleton.Of<Desk>()", "Singleton.Of<Desk, ")]
    [InlineData("Singleton.Of<Desk>()", "Singleton.O")]
    [InlineData("Singleton.Of<Desk>()", ".. Harbo")]
    [InlineData("Singleton.Of<Desk>()", "Singleton.Of<Desk>().Marked(")]
    [InlineData("Singleton.Of<Desk>()", "Singleton.From(() => )")]
    public void A_line_that_is_half_typed_is_left_to_the_compiler(string before, string typed)
    {
        CSharpCompilation edited = Edited(Compiled($"Half {typed}"), "/Office.cs", before, typed);

        Assert.Empty(DiagnosticsOf(Checked(edited), edited));
    }

    [Theory]
    [InlineData("int answer = 1;", "int answer = 2;", true)]
    [InlineData("Desk(IClock clock)", "Desk(Depot depot)", false)]
    public void An_edit_in_a_project_that_is_referenced_counts_if_it_is_of_a_declaration(string before, string after, bool isUsedAgain)
    {
        CSharpCompilation classes = Without(Compiled("Referenced"), "/Office.cs", "/Harbour.cs", "/Other.cs");
        CSharpCompilation whole = Compiled($"Referencing {before}");
        CSharpCompilation first = Without(whole, "/Classes.cs").AddReferences(classes.ToMetadataReference());
        CSharpCompilation second = first.ReplaceReference(
            first.References.Last(), Edited(classes, "/Classes.cs", before, after).ToMetadataReference());

        _ = Checked(first);

        Assert.Equal(isUsedAgain, Checked(second).AreUsedAgain);
    }

    [Fact]
    public void A_diagnostic_goes_with_the_edit_that_ends_its_fault()
    {
        CSharpCompilation faulty = Edited(Compiled("Faulty"), "/Classes.cs", "Desk(IClock clock)", "Desk(Other clock)");
        CSharpCompilation sound = Edited(faulty, "/Classes.cs", "Desk(Other clock)", "Desk(IClock clock)");

        Assert.Equal("JV101", Assert.Single(DiagnosticsOf(Checked(faulty), faulty)).Id);
        Assert.Empty(DiagnosticsOf(Checked(sound), sound));
    }

    private static CSharpCompilation Compiled(string name) => AnalyzedSource
        .Of(("/Office.cs", Office), ("/Harbour.cs", Harbour), ("/Classes.cs", Classes), ("/Other.cs", Other))
        .AsProject(name);

    private static CSharpCompilation Without(CSharpCompilation compilation, params IReadOnlyList<string> files) =>
        compilation.RemoveSyntaxTrees(compilation.SyntaxTrees.Where(tree => files.Contains(tree.FilePath)));

    private static CSharpCompilation Edited(CSharpCompilation compilation, string file, string before, string after)
    {
        SyntaxTree tree = compilation.SyntaxTrees.Single(each => each.FilePath == file);
        string text = tree.GetText(TestContext.Current.CancellationToken).ToString();
        return compilation.ReplaceSyntaxTree(tree, tree.WithChangedText(
            Microsoft.CodeAnalysis.Text.SourceText.From(text.Replace(before, after, StringComparison.Ordinal))));
    }

    private static CSharpCompilation Generated(CSharpCompilation compilation)
    {
        CSharpGeneratorDriver.Create(new WiringGenerator())
            .RunGeneratorsAndUpdateCompilation(compilation, out Compilation generated, out _, TestContext.Current.CancellationToken);
        Assert.True(generated.SyntaxTrees.Count() > compilation.SyntaxTrees.Length);
        return (CSharpCompilation)generated;
    }

    /// <summary>The same source, of which nothing is known.</summary>
    private static CSharpCompilation Anew(CSharpCompilation compilation) =>
        compilation.WithOptions(compilation.Options.WithOverflowChecks(!compilation.Options.CheckOverflow));

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
