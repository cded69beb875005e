using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Tests;

/// <summary>Which ways of writing a wiring the compiler can follow, and what it says of the others.</summary>
public class FollowingTests
{
    private const string World = """

        public interface IClock;
        public sealed class HarbourClock : IClock;
        public sealed class Almanac(IClock clock) { public object Clock => clock; }
        public sealed class Berth;
        public sealed class Rate<T>(T value) { public object? Value => value; }
        """;

    private static string ManyFlags => $$"""
        public static class A
        {
            static bool N(int n) => DateTime.Now.Hour > n;
            [CheckedWiring] public static Wiring W => [Singleton.Of<Almanac>(), {{string.Concat(Enumerable.Repeat("Singleton.Of<IClock, HarbourClock>().Marked(\"x\").Enabled(N(3)), ", 6))}}];
        }
        """;

    /// <summary>Each misses a clock, wherever it is written.</summary>
    public static TheoryData<string> Followed =>
    [
        "public static class A { [CheckedWiring] public static Wiring W => [Singleton.Of<Almanac>()]; }",
        "public static class A { [CheckedWiring] public static Wiring W { get; } = [Singleton.Of<Almanac>()]; }",
        "public static class A { [CheckedWiring] public static Wiring W { get { return [Singleton.Of<Almanac>()]; } } }",
        "public static class A { [CheckedWiring] public static Wiring W() => new() { Singleton.Of<Almanac>() }; }",
        "public static class A { [CheckedWiring] public static Wiring W => [.. M.W]; } static class M { public static Wiring W => [Singleton.Of<Almanac>()]; }",
        "public static class A { [CheckedWiring] public static Wiring W => [.. M.W]; } static class M { public static readonly Wiring W = [Singleton.Of<Almanac>()]; }",
        "public static class A { [CheckedWiring] public static Wiring W => [.. M<Almanac>()]; static Wiring M<T>() where T : class => [Singleton.Of<T>()]; }",
        "public static class A { [CheckedWiring] public static Wiring W => [M<Almanac>()]; static Registration<T> M<T>() where T : class => Singleton.Of<T>(); }",
        "public static class A { [CheckedWiring] public static Wiring W => [.. M(Singleton.Of<Almanac>())]; static Wiring M(Registration r) => [r]; }",
        "public static class A { public static Container B() { Wiring w = [Singleton.Of<Almanac>()]; return w.Build(); } }",
        "public static class A { public static Container B() { Wiring w = []; w.Add(Singleton.Of<Almanac>()); return w.Build(); } }",
        "public static class A { public static Container B() { Wiring w = [Singleton.Of<Almanac>()]; Container c = w.Build(); w.Add(Singleton.Of<IClock, HarbourClock>()); return c; } }",
        "public static class A { public static Container B() { var a = Singleton.Of<Almanac>(); return new Wiring { a }.Build(); } }",
        "public static class A { [CheckedWiring] public static Wiring W => [Singleton.Of(typeof(Almanac))]; }",
        "public static class A { [CheckedWiring] public static Wiring W => [.. M<Almanac>.W]; } static class M<T> where T : class { public static Wiring W => [Singleton.Of<T>()]; }",
        "public static class A { [CheckedWiring] public static Wiring W => [Singleton.Of<Almanac>(), Singleton.Value(new Berth())]; }",
        "public static class A { [CheckedWiring] public static Wiring W => [Singleton.From((IClock clock) => new Almanac(clock))]; }",
        "public static class A { [CheckedWiring] public static Wiring W => [Singleton.From<IClock, Almanac>(M)]; static Almanac M(IClock clock) => new(clock); }",
        "public static class A { [CheckedWiring] public static Wiring W => [Singleton.Of<Almanac>(), Singleton.Of<IClock, HarbourClock>().Enabled(false)]; }",
        "public static class A { [CheckedWiring] public static Wiring W => [Singleton.Of<Almanac>(), .. Wiring.If(false, [Singleton.Of<IClock, HarbourClock>()])]; }",
        "public static class A { [CheckedWiring] public static Wiring W => [Singleton.Of<Almanac>(), .. Wiring.If(true, () => [Singleton.Of<Berth>()])]; }",
        "public static class A { static bool F; [CheckedWiring] public static Wiring W => [Singleton.Of<Almanac>(), Singleton.Of<Berth>().Enabled(F)]; }",
        "public static class A { static bool F; [CheckedWiring] public static Wiring W => [Singleton.Of<Almanac>(), .. F ? M() : []]; static Wiring M() => [Singleton.Of<Berth>()]; }",
        "public static class A { [CheckedWiring] public static Wiring W => [Singleton.Of<Almanac>(), .. SelfRegistered.In<Berth>()]; }",
        "[SelfRegistered(Lifetime.Singleton)] public sealed class Late(IClock clock) { public object C => clock; } public static class A { [CheckedWiring] public static Wiring W => [.. SelfRegistered.In<Late>()]; }",
        "public static class A { public static Container B() { Wiring w = [Singleton.Of<Almanac>()]; if (DateTime.Now.Hour > 3) { w.Add(Singleton.Of<Berth>()); } return w.Build(); } }",
        "public static class A { public static Container B() { Wiring w = [Singleton.Of<Almanac>()]; M(w); return w.Build(); } static void M(Wiring w) => w.Add(Singleton.Of<Berth>()); }",
        "public static class A { [CheckedWiring] public static Wiring W => [.. M]; static readonly Wiring M = [Singleton.Of<Almanac>()]; static A() => M.Add(Singleton.Of<Berth>()); }",
        "public static class A { [CheckedWiring] public static Wiring W { get { if (DateTime.Now.Hour > 3) { return [Singleton.Of<Almanac>(), Singleton.Of<Berth>()]; } return [Singleton.Of<Almanac>()]; } } }",
        "public static class A { [CheckedWiring] public static Wiring W => [Singleton.Of<Almanac>(), Singleton.From(F)]; static readonly Func<Berth> F = () => new Berth(); }",
        "public static class A { [CheckedWiring] public static Wiring W => [.. M]; static readonly Wiring M = [Singleton.Of<Almanac>()]; static A() => B(A.M); static void B(Wiring w) => w.Add(Singleton.Of<Berth>()); }",
        "public static class A { public static Container B() { Wiring w = [Singleton.Of<Almanac>()]; M(); return w.Build(); void M() => w.Add(Singleton.Of<Berth>()); } }",
        "public static class A { static bool N(int n) => DateTime.Now.Hour > n; [CheckedWiring] public static Wiring W => [Singleton.Of<Almanac>(), .. Other()]; static Wiring Other() { Wiring w = []; " + string.Concat(Enumerable.Range(0, 10).Select(n => $"if (N({n})) {{ w.Add(Singleton.Of<Berth>().Marked(\"{n}\")); }} ")) + "return w; } }",
    ];

    /// <summary>What the compiler cannot know, with a word of what it says.</summary>
    public static TheoryData<string, string> NotFollowed => new()
    {
        { "public static class A { [CheckedWiring] public static Wiring W => [.. W]; }", "W leads back to itself" },
        { "public static class A { [CheckedWiring] public static Wiring W => [R]; static Registration<Berth> R => R; }", "R leads back to itself" },
        { "public static class A { static readonly ScopeLevel L = new(\"l\", M), M = new(\"m\", L); [CheckedWiring] public static Wiring W => [L.Of<Berth>()]; }", "leads back to itself" },
        { "public static class A { [CheckedWiring] public static Wiring W => [Singleton.Of<Almanac>(), Singleton.From(F)]; static Func<Berth> F = () => new Berth(); }", "the factory is not written in a way that the compiler can follow: F" },
        { "public static class A { [CheckedWiring] public static Wiring W => [.. M]; static readonly Wiring M = [Singleton.Of<Almanac>()]; static void B() => M.Add(Singleton.Of<Berth>()); }", "M may be changed here" },
        { "public static class A { public static Container B() { Wiring w = [Singleton.Of<Almanac>()]; M(0); return w.Build(); void M(int n) { while (n++ < 2) { w.Add(Singleton.Of<Berth>()); } } } }", "only in some runs" },
        { "public static class A { [CheckedWiring] public static Wiring W => [Singleton.Value<object>(M()).Also<IClock>()]; static object M() => new HarbourClock(); }", "the type of the value is known only at run time" },
        { "public static class A { [CheckedWiring] public static Wiring W => [Singleton.Of(T)]; static Type T = typeof(Almanac); }",
            "the type is not written in a way that the compiler can follow: T" },
        { ManyFlags, "depends on 6 conditions whether it has JV101" },
    };

    /// <summary>What only the run can know, however it is written.</summary>
    public static TheoryData<string, string> KnownAtRunTime => new()
    {
        { "public static class A { public static Container B(Wiring w) => w.Build(); }", "the wiring is known only at run time: w" },
        { "public static class A { public static Container B(Func<Wiring> w) => w().Build(); }", "the function is known only at run time: w" },
        { "public static class A { [CheckedWiring] public static Wiring W => [Singleton.Of<Almanac>(), .. Plugins.In(\"plugins\")]; }", "Plugins.In" },
        { "public class A { protected virtual Wiring M => [Singleton.Of<Almanac>()]; public Container B() => M.Build(); }", "the implementation of the member is known only at run time: M" },
        { "public static class A { public static Wiring M<T>() where T : class => [Singleton.Of<T>()]; public static Container B<T>() where T : class => M<T>().Build(); }", "T has a type parameter" },
        { "public static class A { [CheckedWiring] public static Wiring W => [Singleton.Of<Almanac>().Marked(Environment.MachineName)]; }", "the text is known only at run time: Environment.MachineName" },
        { "public static class A { [CheckedWiring] public static Wiring W => [.. typeof(A).Assembly.GetTypes().Select(type => Singleton.Of(type))]; }", "typeof(A).Assembly.GetTypes()" },
        { "public static class A { [CheckedWiring] public static Wiring W => [.. SelfRegistered.In<Berth>().Where(type => type.Name == \"x\")]; }", "SelfRegistered.In<Berth>()" },
    };

    [Theory]
    [MemberData(nameof(Followed))]
    public void What_can_be_followed_is_checked(string source)
    {
        IReadOnlyList<Diagnostic> found = AnalyzedSource.OfText(source + World).Analyze();

        Diagnostic missing = Assert.Single(found, each => each.Severity == DiagnosticSeverity.Error);
        Assert.Equal("JV101", missing.Id);
        Assert.Contains("IClock, which is not registered", missing.GetMessage(), StringComparison.Ordinal);
        Assert.DoesNotContain(found, each => each.Id == "JV901");
    }

    [Theory]
    [MemberData(nameof(NotFollowed))]
    public void What_cannot_be_followed_says_why_once(string source, string reason)
    {
        Diagnostic said = Assert.Single(AnalyzedSource.OfText(source + World).Analyze());

        Assert.Equal("JV901", said.Id);
        Assert.Equal(DiagnosticSeverity.Warning, said.Severity);
        Assert.Contains(reason, said.GetMessage(), StringComparison.Ordinal);
    }

    [Theory]
    [MemberData(nameof(KnownAtRunTime))]
    public void What_only_the_run_can_know_is_an_information(string source, string reason)
    {
        Diagnostic said = Assert.Single(AnalyzedSource.OfText(source + World).Analyze());

        Assert.Equal("JV901", said.Id);
        Assert.Equal(DiagnosticSeverity.Info, said.Severity);
        Assert.Contains(reason, said.GetMessage(), StringComparison.Ordinal);
    }

    /// <summary>A method that registers several services: a fault is shown at the call that it concerns.</summary>
    [Theory]
    [InlineData("[Part<Almanac>(), Part<Berth>()]; static Registration<T> Part<T>() where T : class => Scoped.Of<T>();", "Part<Almanac>()")]
    [InlineData("[.. Both()]; static Wiring Both() => [Part<Almanac>(), Part<Berth>()]; static Registration<T> Part<T>() where T : class => Scoped.Of<T>();", "Part<Almanac>()")]
    [InlineData("[Part<Almanac>()]; static Registration<T> Part<T>() where T : class => Scoped.Of<T>();", "Scoped.Of<T>()")]
    [InlineData("[.. M(\"a\"), .. M(\"b\")]; static Wiring M(string mark) => [Scoped.Of<Almanac>().Marked(mark)];", "M(\"a\")")]
    public void A_fault_is_shown_at_the_call_that_tells_services_of_one_line_apart(string wiring, string places)
    {
        AnalyzedSource source =
            AnalyzedSource.OfText($"public static class A {{ [CheckedWiring] public static Wiring W => {wiring} }}" + World);

        IReadOnlyList<Diagnostic> found = [.. source.Analyze().Where(each => each.Id == "JV101")];

        Assert.Equal(places, string.Join("|", found.Select(each => $"{each.Location.SourceTree!.GetText()
            .GetSubText(each.Location.SourceSpan)}")));
        Assert.Equal(
            source.Check()["W"].Where(text => text.StartsWith("JV101", StringComparison.Ordinal)), found.Select(AnalyzedSource.TextOf));
    }

    [Theory]
    [InlineData("public static class A { static Wiring? W => [Singleton.Of<Almanac>()]; public static Container? B() => W?.Build(); }")]
    [InlineData("public static class A { static Wiring W => [Singleton.Of<Almanac>()]; public delegate Container Building(params ReadOnlySpan<Incoming> values); public static Building B() => W.Build; }")]
    public void A_wiring_is_checked_however_Build_is_named(string source) => What_can_be_followed_is_checked(source);

    [Fact]
    public void Only_what_holds_however_a_condition_comes_out_is_claimed()
    {
        IReadOnlyList<Diagnostic> found = AnalyzedSource.OfText("""
            public static class A
            {
                private static readonly bool IsRehearsal = DateTime.Now.Hour > 3;

                [CheckedWiring]
                public static Wiring Either =>
                [
                    Singleton.Of<Almanac>(),
                    Singleton.Of<IClock, HarbourClock>().Enabled(IsRehearsal),
                    Singleton.Of<IClock, StoppedClock>().Enabled(!IsRehearsal),
                ];

                [CheckedWiring]
                public static Wiring Sometimes =>
                [
                    Singleton.Of<Almanac>(),
                    .. Wiring.If(IsRehearsal, [Singleton.Of<IClock, HarbourClock>()]),
                ];
            }

            public sealed class StoppedClock : IClock;
            """ + World).Analyze();

        Assert.Empty(found);
    }

    /// <summary>The same object twice counts once, at startup too; two evaluations are two.</summary>
    [Theory]
    [InlineData("public static Wiring W { get { var berth = Singleton.Of<Berth>(); return [berth, berth]; } }", 0)]
    [InlineData("public static Wiring W { get { Wiring m = [.. M]; return [.. m, .. m]; } }", 0)]
    [InlineData("public static Wiring W => Twice(M); static Wiring Twice(Wiring m) => [.. m, .. m];", 0)]
    [InlineData("public static Wiring W => Twice(R); static Wiring Twice(Registration r) => [r, r];", 0)]
    [InlineData("public static Wiring W => [.. M, .. M];", 1)]
    [InlineData("public static Wiring W => [R, R];", 1)]
    [InlineData("public static Wiring W => [.. Wiring.If(true, N), .. Wiring.If(true, N)]; static Wiring N() => [R];", 1)]
    public void One_object_counts_once(string wiring, int faults)
    {
        AnalyzedSource source = AnalyzedSource.OfText($$"""
            public static class A
            {
                [CheckedWiring]
                {{wiring}}

                private static Wiring M => [Singleton.Of<Berth>()];

                private static Registration<Berth> R => Singleton.Of<Berth>();
            }
            """ + World);

        IReadOnlyList<string> found = [.. source.Analyze().Select(AnalyzedSource.TextOf)];

        Assert.Equal(source.Check()["W"], found);
        Assert.Equal(faults, found.Count);
    }

    [Fact]
    public void A_module_that_two_wirings_have_in_common_is_blamed_once()
    {
        IReadOnlyList<Diagnostic> found = AnalyzedSource.OfText("""
            public static class A
            {
                [CheckedWiring]
                public static Wiring One => [.. Module];

                [CheckedWiring]
                public static Wiring Other => [.. Module, Singleton.Of<Berth>()];

                private static Wiring Module => [Singleton.Of<Almanac>()];
            }
            """ + World).Analyze();

        Assert.Equal("JV101", Assert.Single(found).Id);
    }

    [Fact]
    public void A_fault_stands_at_its_registration_in_the_file_of_the_module()
    {
        Diagnostic found = Assert.Single(AnalyzedSource.Of(
            ("/Office.cs", "public static class Office { [CheckedWiring] public static Wiring W => [.. Module.W]; }" + World),
            ("/Module.cs", """
                public static class Module
                {
                    public static Wiring W =>
                    [
                        Singleton.Of<Berth>(),
                        Singleton.Of<Almanac>(),
                    ];
                }
                """)).Analyze());

        Assert.Equal("/Module.cs", found.Location.SourceTree!.FilePath);
        SyntaxNode module = found.Location.SourceTree!.GetRoot(TestContext.Current.CancellationToken);
        Assert.Equal("Singleton.Of<Almanac>()", module.FindNode(found.Location.SourceSpan).ToString());
        Assert.Equal("https://junctivor.example/faults/jv101", found.Descriptor.HelpLinkUri);
    }

    [Fact]
    public void A_program_without_the_library_is_left_alone() =>
        Assert.Empty(AnalyzedSource.OfText("""
            public sealed class Wiring
            {
                public object Build() => this;

                public static object Built() => new Wiring().Build();
            }
            """).Analyze());
}
