extern alias Generators;

using Generators::Junctivor.Generators;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.Diagnostics;

namespace Junctivor.Generators.Tests;

/// <summary>What is compiled into a native program compiles wherever it is written; what cannot be written is said once.</summary>
public class CompiledInTests
{
    private const string Program = """
        static class M
        {
            [CheckedWiring]
            public static Wiring W => [Singleton.Of<Foo>(), Transient.Of<A>(), Singleton.Value(new System.DateOnly(1, 1, 1))];
        }
        public partial class Foo { public object X = 1; }
        public partial class Bar { public Bar(A a) { } }
        public class A { public A(int n) { } public A() { } }
        """;

    private static readonly BuildProperties Native = new(new() { [WiringGenerator.RecipesProperty] = "true" });

    [Theory]
    [InlineData("public partial class Foo { public Foo(A a) => X = a; }", "")]
    [InlineData("public partial class Foo { public required string Name { get; set; } }", "")]
    [InlineData("public partial class Foo { public Foo(System.Func<int, A> f, System.Lazy<System.DateOnly> d) => X = (f, d); }",
        "Lazy<System.DateOnly>, Func<int, object>")]
    public void Beside_another_generator(string other, string missing)
    {
        CSharpCompilation compilation = Generate(Compile(Program, LanguageVersion.Latest), new OtherGenerator(other));

        Assert.Equal(
            missing.Length == 0 ? [] : [$"For a natively compiled program there is no code for what another source generator adds: {missing}"],
            GapsIn(compilation));
    }

    [Theory]
    [InlineData(LanguageVersion.CSharp7_3)]
    [InlineData(LanguageVersion.CSharp8)]
    public void In_an_old_language(LanguageVersion version)
    {
        CSharpCompilation compilation = Generate(Compile(
            """
            using Junctivor;
            public interface IThing { } public class Thing : IThing { } public class User { public User(IThing t, System.Lazy<IThing> l) { } }
            public static class Mod
            {
                [CheckedWiring]
                public static Wiring W { get { return new Wiring { Singleton.Of<IThing, Thing>(), Singleton.Of<User>() }; } }
                public static readonly ScopeLevel L = new ScopeLevel("x");
                private class Hidden { public Hidden(IThing t) { } }
                public static Wiring V = new Wiring { Singleton.Of<Hidden>() };
            }
            """,
            version));

        Assert.Equal(
            ["For a natively compiled program no code is written: that takes C# 9 or later, so set LangVersion"], GapsIn(compilation));
    }

    private static CSharpCompilation Compile(string text, LanguageVersion version)
    {
        CSharpParseOptions options = new(version);
        return CSharpCompilation.Create(
            "Native",
            version < LanguageVersion.CSharp10
                ? [CSharpSyntaxTree.ParseText(text, options, "/Program.cs", cancellationToken: TestContext.Current.CancellationToken)]
                :
                [
                    CSharpSyntaxTree.ParseText(
                        AnalyzedSource.Usings, options, "/usings.cs", cancellationToken: TestContext.Current.CancellationToken),
                    CSharpSyntaxTree.ParseText(text, options, "/Program.cs", cancellationToken: TestContext.Current.CancellationToken),
                ],
            AnalyzedSource.References,
            new CSharpCompilationOptions(OutputKind.DynamicallyLinkedLibrary));
    }

    /// <summary>With what the generators write; fails where that does not compile.</summary>
    private static CSharpCompilation Generate(CSharpCompilation source, params IReadOnlyList<IIncrementalGenerator> others)
    {
        CSharpGeneratorDriver
            .Create(
                [.. others.Prepend(new WiringGenerator()).Select(generator => generator.AsSourceGenerator())],
                parseOptions: (CSharpParseOptions)source.SyntaxTrees[0].Options,
                optionsProvider: Native)
            .RunGeneratorsAndUpdateCompilation(
                source, out Compilation compilation, out var problems, TestContext.Current.CancellationToken);
        Assert.Empty(problems);
        Assert.Empty(compilation.GetDiagnostics(TestContext.Current.CancellationToken)
            .Where(each => each.Severity == DiagnosticSeverity.Error));
        return (CSharpCompilation)compilation;
    }

    private static IEnumerable<string> GapsIn(CSharpCompilation compilation) => compilation
        .WithAnalyzers([new WiringAnalyzer()], new AnalyzerOptions([], Native))
        .GetAnalyzerDiagnosticsAsync(TestContext.Current.CancellationToken)
        .GetAwaiter().GetResult()
        .Where(each => each.Id == "JV902")
        .Select(each => each.GetMessage());
}
