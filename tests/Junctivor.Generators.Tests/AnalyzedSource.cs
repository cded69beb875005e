extern alias Generators;

using System.Collections.Immutable;
using System.Reflection;
using System.Runtime.Loader;
using Generators::Junctivor.Generators;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.Diagnostics;

namespace Junctivor.Generators.Tests;

/// <summary>Source that is compiled, analyzed, and checked at run time.</summary>
internal sealed class AnalyzedSource
{
    private const string Usings = """
        global using System;
        global using System.Collections.Generic;
        global using System.IO;
        global using System.Linq;
        global using System.Threading;
        global using System.Threading.Tasks;
        global using Junctivor;
        """;

    private static readonly IReadOnlyList<MetadataReference> References =
        [.. ((string)AppContext.GetData("TRUSTED_PLATFORM_ASSEMBLIES")!).Split(Path.PathSeparator)
            .Where(path => Path.GetFileNameWithoutExtension(path) is not ("Junctivor.Generators" or "Junctivor.Model"))
            .Select(path => MetadataReference.CreateFromFile(path))];

    private AnalyzedSource(CSharpCompilation compilation)
    {
        Compilation = compilation;
        Assert.Empty(compilation.GetDiagnostics(TestContext.Current.CancellationToken)
            .Where(found => found.Severity == DiagnosticSeverity.Error)
            .Select(found => found.ToString()));
    }

    public CSharpCompilation Compilation { get; }

    /// <summary>Compiles files of source; fails if they have errors.</summary>
    public static AnalyzedSource Of(params IReadOnlyList<(string File, string Text)> files) => new(CSharpCompilation.Create(
        "Analyzed",
        [
            CSharpSyntaxTree.ParseText(Usings, path: "/usings.cs"),
            .. files.Select(file => CSharpSyntaxTree.ParseText(file.Text, path: file.File)),
        ],
        References,
        new CSharpCompilationOptions(OutputKind.DynamicallyLinkedLibrary, nullableContextOptions: NullableContextOptions.Enable)));

    public static AnalyzedSource Of(CSharpCompilation compilation) => new(compilation);

    /// <summary>Compiles one file of declarations.</summary>
    public static AnalyzedSource OfText(string text) => Of(("/Source.cs", text));

    /// <summary>What the analyzer says, in the order of places.</summary>
    public IReadOnlyList<Diagnostic> Analyze()
    {
        ImmutableArray<Diagnostic> found = Compilation.WithAnalyzers([new WiringAnalyzer()])
            .GetAnalyzerDiagnosticsAsync(TestContext.Current.CancellationToken)
            .GetAwaiter().GetResult();
        return [.. found.OrderBy(each => each.Location.SourceTree?.FilePath).ThenBy(each => each.Location.SourceSpan.Start)];
    }

    /// <summary>The faults of each wiring with <c>[CheckedWiring]</c>, by the name of its member, as found at run time.</summary>
    public IReadOnlyDictionary<string, IReadOnlyList<string>> Check()
    {
        using MemoryStream image = new();
        Assert.True(Compilation.Emit(image, cancellationToken: TestContext.Current.CancellationToken).Success);
        image.Position = 0;
        AssemblyLoadContext context = new("analyzed", isCollectible: true);
        try
        {
            return context.LoadFromStream(image).GetTypes()
                .SelectMany(type => type.GetProperties(BindingFlags.Public | BindingFlags.Static))
                .Where(property => property.IsDefined(typeof(CheckedWiringAttribute)))
                .ToDictionary(
                    property => property.Name,
                    property => FaultsOf((Wiring)property.GetValue(null)!));
        }
        finally
        {
            context.Unload();
        }
    }

    private static IReadOnlyList<string> FaultsOf(Wiring wiring) => [.. wiring.Check().All.Select(fault => fault.ToString())];

    /// <summary>The whole text of a fault, as the analyzer knows it.</summary>
    public static string TextOf(Diagnostic diagnostic) => diagnostic.Properties[WiringAnalyzer.TextProperty]!;
}
