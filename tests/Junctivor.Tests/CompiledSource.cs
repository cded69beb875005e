using Junctivor.Tests.Shared;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;

namespace Junctivor.Tests;

/// <summary>Compiles C# that a test writes down, against what the test itself runs with.</summary>
internal static class CompiledSource
{
    private const string Usings = $"{ImplicitUsings.Text}global using Junctivor;";

    /// <summary>Writes a library; fails if the source has errors.</summary>
    /// <param name="path">The file.</param>
    /// <param name="source">What stands in it.</param>
    /// <param name="references">Further libraries that it refers to.</param>
    public static void ToFile(string path, string source, params string[] references)
    {
        CSharpCompilation compilation = Compile(Path.GetFileNameWithoutExtension(path), OutputKind.DynamicallyLinkedLibrary, source)
            .AddReferences(references.Select(reference => MetadataReference.CreateFromFile(reference)));
        Assert.Empty(ErrorsOf(compilation));
        using FileStream file = File.Create(path);
        Assert.True(compilation.Emit(file, cancellationToken: TestContext.Current.CancellationToken).Success);
    }

    /// <summary>The errors of a program of top-level statements.</summary>
    public static IReadOnlyList<string> ErrorsOfProgram(params string[] sources) =>
        ErrorsOf(Compile("Program", OutputKind.ConsoleApplication, sources));

    public static CSharpCompilation Compile(string name, OutputKind kind, params string[] sources) => CSharpCompilation.Create(
        name,
        sources.Prepend(Usings)
            .Select(source => CSharpSyntaxTree.ParseText(source, cancellationToken: TestContext.Current.CancellationToken)),
        ((string)AppContext.GetData("TRUSTED_PLATFORM_ASSEMBLIES")!).Split(Path.PathSeparator)
            .Where(path => Path.GetFileName(path) != "Junctivor.Generators.dll")
            .Select(path => MetadataReference.CreateFromFile(path)),
        new CSharpCompilationOptions(kind, nullableContextOptions: NullableContextOptions.Enable, allowUnsafe: true));

    private static IReadOnlyList<string> ErrorsOf(CSharpCompilation compilation) =>
        [.. compilation.GetDiagnostics(TestContext.Current.CancellationToken)
            .Where(found => found.Severity == DiagnosticSeverity.Error)
            .Select(found => found.ToString())];
}
