extern alias Generators;

using Generators::Junctivor.Generators;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;

namespace Junctivor.Generators.Tests;

/// <summary>Wirings are followed into other projects by what the generator leaves behind.</summary>
public class ModuleTests
{
    private const string Module = """
        using System.Runtime.CompilerServices;
        namespace Harbour;

        public static class Levels
        {
            public static readonly ScopeLevel DutyShift = new("duty shift");
            public static readonly ScopeLevel Watch = new("watch", DutyShift);
        }

        public static class Storage
        {
            public static readonly Wiring Kept = [Singleton.Of<Depot>()];
            public static Wiring One => [.. Kept, Levels.DutyShift.Of<Roster>()];
            public static Wiring Other => [.. Kept, Levels.Watch.Of<Lookout>()];
            public static Wiring Marked => [Singleton.From(([Marked("north")] Depot depot, int? depth) => new Crane(depot, depth))];
            public static Wiring Clocks => [Transient.Of<Stamp>()];
            public static Wiring Plug => [.. Plugins.In("plugins")];
            public static Wiring Sometimes(bool isNight) => isNight ? One : Other;
            public static Wiring Of<TIn>(bool isWatched = false) where TIn : class =>
                [Singleton.Of<IArchive<TIn>, SqliteArchive<TIn>>().Enabled(!isWatched), .. Wiring.If(isWatched, () => Typed<TIn>())];
            public static Wiring Typed<T>() where T : class => [Scoped.Of<IArchive<T>, SqliteArchive<T>>()];
            public static Wiring At(string quay, Depot depot) => [Singleton.Value(depot).Marked(quay)];
            public static Wiring Twice(string quay) => [.. At(quay, new Depot()), .. At("south", new Depot())];
            public static Wiring Around(Wiring inner) => [.. inner];
            private static readonly Registration Buoy = Singleton.Of<Depot>();
            public static Wiring North => [Buoy];
            public static Wiring South => [Buoy, Singleton.Of<Roster>()];
            public static Wiring Same { get { var one = Singleton.Of<Depot>(); return [one, one]; } }
            public static Wiring SameSometimes(bool first) { var one = Singleton.Of<Depot>(); return [.. Wiring.If(first, [one]), one]; }
            public static Wiring Cruds => [.. Crud<Depot>.Module, .. Crud<Roster>.Module];
            public static Wiring Factories => [.. Crud<Depot>.Made, .. Crud<Roster>.Made];
            public static Wiring Here([CallerFilePath] string file = "", [CallerLineNumber] int line = 0) => [Singleton.Of<Crane>(file, line)];
            public static Wiring HereToo([CallerFilePath] string file = "", [CallerLineNumber] int line = 0) =>
                [.. Of<Lookout>(), Scoped.Of<Lookout>(file, line), Singleton.Of<Held>(file, line)];
            internal static Wiring Hidden => [Singleton.Of<Depot>()];
        }

        public interface IArchive<T>;
        public sealed class SqliteArchive<T> : IArchive<T>;
        public sealed class Depot;
        public sealed class Roster;
        public sealed class Held(Lookout lookout) { public object Lookout => lookout; }
        public static class Crud<T> where T : class, new()
        {
            public static readonly Wiring Module = [Singleton.Of<T>()];
            public static Wiring Made => [Singleton.From(() => new Lookout())];
        }
        public sealed class Till(Roll roll) { public object Roll => roll; }
        public sealed class Roll { private int _turns; public int Turn() => ++_turns; }
        public sealed class Lookout;
        public sealed record Crane(Depot Depot, int? Depth);
        public sealed class Stamp { private readonly DateTime _at = DateTime.Now; public override string ToString() => $"{_at}"; }
        """;

    /// <summary>A wiring that includes modules, and the codes of what is wrong with it.</summary>
    public static TheoryData<string, string> Wirings => new()
    {
        { "[.. Storage.One, .. Storage.Other]", "" },
        { "[.. Storage.Kept, .. Storage.One, Transient.Of<Report>()]", "" },
        { "[.. Storage.One, Singleton.Of<Report>()]", "JV301" },
        { "[.. Storage.One, Levels.DutyShift.Of<Report>()]", "" },
        { "[.. Storage.Other, Levels.DutyShift.Of<Looking>()]", "JV301" },
        { "[.. Storage.Marked]", "JV101" },
        { "[.. Storage.Marked, Singleton.Of<Depot>().Marked(\"north\")]", "" },
        { "[.. Storage.Clocks, Singleton.Of<Bell>()]", "JV303" },
        { "[.. Storage.Sometimes(true), Levels.DutyShift.Of<Report>()]", "" },
        { "[.. Storage.Sometimes(false), Levels.DutyShift.Of<Report>()]", "JV101" },
        { "[.. Storage.Of<Lookout>(), Singleton.Of<Filing>()]", "" },
        { "[.. Storage.Of<Lookout>(true), Singleton.Of<Filing>()]", "JV301" },
        { "[.. Storage.Of<Roster>(), Singleton.Of<Filing>()]", "JV101" },
        { "[.. Storage.Of<Roster>(), .. Storage.Of<Lookout>(), .. Storage.Of<Roster>()]", "JV204" },
        { "[.. Storage.At(\"north\", new Depot()), .. Storage.Marked]", "" },
        { "[.. Storage.At(\"nroth\", new Depot()), .. Storage.Marked]", "JV101" },
        { "[.. Storage.Twice(\"north\"), .. Storage.Marked]", "" },
        { "[.. Storage.Twice(\"south\"), .. Storage.Marked]", "JV101" },
        { "[.. Storage.North, .. Storage.South]", "" },
        { "[.. Storage.Same]", "" },
        { "[.. Storage.SameSometimes(false)]", "" },
        { "[.. Storage.Cruds, Singleton.Of<Keeping>()]", "JV505" },
        { "[.. Storage.Cruds, .. Storage.Cruds]", "" },
        { "[.. Storage.Factories, Singleton.Of<Keeping>()]", "JV101,JV101,JV202" },
        { "[.. Storage.Here(), Singleton.Of<Filing>()]", "JV101,JV101" },
        { "[.. Storage.HereToo(), Scoped.Of<Filing>()]", "JV301" },
    };

    [Theory]
    [MemberData(nameof(Wirings))]
    public void What_another_project_registers_is_known(string wiring, string codes)
    {
        AnalyzedSource source = Office(wiring);

        IReadOnlyList<Diagnostic> found = source.Analyze();

        Assert.Equal(
            source.Check()["Office"].Order(StringComparer.Ordinal), found.Select(AnalyzedSource.TextOf).Order(StringComparer.Ordinal));
        Assert.Equal(codes, string.Join(",", found.Select(each => each.Id).Order(StringComparer.Ordinal)));
        Assert.Equal(found.Select(AnalyzedSource.TextOf), source.InEditor().Analyze().Select(AnalyzedSource.TextOf));
    }

    [Theory]
    [InlineData("[.. Storage.Plug]", "in Storage.Plug of Module, the wiring is known only at run time: Plugins.In(\"plugins\")")]
    [InlineData("[.. Storage.Around([])]", "in Storage.Around of Module, Around returns another wiring than the one that it gets")]
    [InlineData("[.. Storage.At(Environment.MachineName, new Depot())]", "the text is known only at run time: Environment.MachineName")]
    public void What_it_does_not_know_itself_is_said(string wiring, string reason)
    {
        Diagnostic said = Assert.Single(Office(wiring).Analyze());

        Assert.Equal("JV901", said.Id);
        Assert.Contains(reason, said.GetMessage(), StringComparison.Ordinal);
    }

    /// <summary>In an editor the private fields of another project could be seen; in a build they cannot.</summary>
    [Fact]
    public void An_editor_says_no_more_than_a_build()
    {
        AnalyzedSource source = Office("[Singleton.Of<Till>(), Transient.Of<Roll>()]");

        Assert.Equal(["JV303"], source.CheckFaults().Select(found => found.Fault.Code));
        Assert.Empty(source.Analyze());
        Assert.Empty(source.InEditor().Analyze());
    }

    [Fact]
    public void The_text_is_readable_and_has_a_version()
    {
        SyntaxTree left = AnalyzedSource.OfModule(("/Module.cs", Module)).Compilation.SyntaxTrees
            .Single(tree => tree.FilePath.EndsWith("Junctivor.Wirings.g.cs", StringComparison.Ordinal));

        Assert.Contains("""
            [assembly: global::Junctivor.CompilerServices.FollowedWiring(@"P:Harbour.Storage.One", @"version 3
            entry singleton Class Harbour.Depot
            for Harbour.Depot
            at ""/Module.cs"" 12
            same ""F:Harbour.Storage.Kept 0""
            entry F:Harbour.Levels.DutyShift Class Harbour.Roster
            for Harbour.Roster
            at ""/Module.cs"" 13")]
            """, left.ToString(), StringComparison.Ordinal);
    }

    /// <summary>For <c>junctivor check</c>, which lists what the compiler could not follow.</summary>
    [Fact]
    public void What_cannot_be_followed_is_left_with_the_reason_and_the_place()
    {
        SyntaxTree left = AnalyzedSource.OfModule(("/Office.cs", """
            public static class Office
            {
                public static Wiring Plug => [.. Plugins.In("plugins")];
                public static Container Build(Wiring wiring) => wiring.Build();
                public static Container Sound() => new Wiring().Build();
            }
            """)).Compilation.SyntaxTrees.Single(tree => tree.FilePath.EndsWith("Junctivor.Wirings.g.cs", StringComparison.Ordinal));

        Assert.Equal(
            """
            // <auto-generated/>
            [assembly: global::Junctivor.CompilerServices.FollowedWiring(@"M:Office.Build(Junctivor.Wiring)~Junctivor.Container", @"version 3
            adds ""wiring"" -")]
            [assembly: global::Junctivor.CompilerServices.FollowedWiring(@"P:Office.Plug", @"version 3
            run-time ""the wiring is known only at run time: Plugins.In(\""plugins\"")"" ""/Office.cs"" 3")]
            [assembly: global::Junctivor.CompilerServices.FollowedWiring(@"build ""/Office.cs"" 4", @"version 3
            run-time ""the wiring is known only at run time: wiring. Give the member that creates the wiring [CheckedWiring], or build it there"" ""/Office.cs"" 4")]

            """,
            left.ToString());
    }

    [Fact]
    public void An_edit_in_another_file_reads_no_wiring_again()
    {
        CSharpCompilation before = AnalyzedSource.Of(("/Module.cs", Module), ("/Other.cs", "public sealed class Other;")).Compilation;
        SyntaxTree other = before.SyntaxTrees.Single(tree => tree.FilePath == "/Other.cs");
        CSharpCompilation after = before.ReplaceSyntaxTree(
            other, CSharpSyntaxTree.ParseText("public sealed class Other { public int Number => 1; }", path: "/Other.cs",
                cancellationToken: TestContext.Current.CancellationToken));
        GeneratorDriver driver = CSharpGeneratorDriver.Create(
            [new WiringGenerator().AsSourceGenerator()],
            driverOptions: new GeneratorDriverOptions(IncrementalGeneratorOutputKind.None, trackIncrementalGeneratorSteps: true));

        GeneratorRunResult first = driver.RunGenerators(before, TestContext.Current.CancellationToken).GetRunResult().Results[0];
        driver = driver.RunGenerators(before, TestContext.Current.CancellationToken);
        GeneratorRunResult second = driver.RunGenerators(after, TestContext.Current.CancellationToken).GetRunResult().Results[0];

        Assert.NotEmpty(first.GeneratedSources);
        Assert.All(
            second.TrackedSteps[WiringGenerator.ReadingStep].SelectMany(step => step.Outputs),
            output => Assert.Contains(output.Reason, new[] { IncrementalStepRunReason.Cached, IncrementalStepRunReason.Unchanged }));
        Assert.All(
            second.TrackedOutputSteps.Values.SelectMany(steps => steps).SelectMany(step => step.Outputs),
            output => Assert.Equal(IncrementalStepRunReason.Cached, output.Reason));
    }

    /// <summary>Editors compile one file in several ways at once, such as for two target frameworks.</summary>
    [Fact]
    public void Compilations_that_share_files_are_read_at_once()
    {
        CSharpCompilation one = AnalyzedSource.Of(("/Module.cs", Module)).Compilation;
        CSharpCompilation other = one.WithOptions(one.Options.WithOverflowChecks(true));

        Parallel.For(0, 32, number =>
        {
            GeneratorRunResult result = CSharpGeneratorDriver.Create(new WiringGenerator())
                .RunGenerators(number % 2 == 0 ? one : other, TestContext.Current.CancellationToken)
                .GetRunResult()
                .Results[0];

            Assert.Null(result.Exception);
            Assert.Contains("P:Harbour.Storage.One", $"{result.GeneratedSources[0].SourceText}", StringComparison.Ordinal);
        });
    }

    private static AnalyzedSource Office(string wiring) => AnalyzedSource.OfModule(("/Module.cs", Module)).ReferencedBy(("/Office.cs", $$"""
        using Harbour;

        public static class Offices
        {
            [CheckedWiring]
            public static Wiring Office => {{wiring}};
        }

        public sealed class Report(Roster roster) { public object Roster => roster; }
        public sealed class Looking(Lookout lookout) { public object Lookout => lookout; }
        public sealed class Filing(IArchive<Lookout> archive) { public object Archive => archive; }
        public sealed class Bell(Stamp stamp) { public object Stamp => stamp; }
        public sealed class Keeping(Depot depot, Roster roster, Lookout? lookout) { public object All => (depot, roster, lookout); }
        """));
}
