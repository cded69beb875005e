using System.Runtime.InteropServices;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.Text;

namespace Junctivor.Fixing.Sources;

/// <summary>The sources of an assembly, compiled again as they were.</summary>
internal static class SourceSet
{
    /// <summary>The compilation that the assembly comes from.</summary>
    /// <param name="assembly">The assembly; its symbols stand beside it or in it.</param>
    /// <param name="resolve">Gives the path of a referenced assembly by its file name; null if it is not found.</param>
    /// <exception cref="CannotFixException">Its sources are not there, or have changed since.</exception>
    public static CSharpCompilation Of(string assembly, Func<string, string?> resolve)
    {
        PdbSources symbols = PdbSources.Of(assembly);
        IReadOnlyDictionary<string, string> options = symbols.CompilerOptions;
        CSharpParseOptions parsing = new(
            LanguageVersionFacts.TryParse(options.GetValueOrDefault("language-version"), out LanguageVersion version)
                ? version
                : LanguageVersion.Latest,
            preprocessorSymbols: options.GetValueOrDefault("define")?.Split(','));
        CSharpCompilationOptions compiling = new(
            OutputKind.DynamicallyLinkedLibrary,
            nullableContextOptions: Enum.TryParse(options.GetValueOrDefault("nullable"), out NullableContextOptions nullable)
                ? nullable
                : NullableContextOptions.Disable,
            allowUnsafe: options.GetValueOrDefault("unsafe") == "True",
            checkOverflow: options.GetValueOrDefault("checked") == "True",
            deterministic: true);
        if (Enum.TryParse(options.GetValueOrDefault("output-kind"), out OutputKind kind))
        {
            compiling = compiling.WithOutputKind(kind);
        }

        return CSharpCompilation.Create(
            Path.GetFileNameWithoutExtension(assembly),
            symbols.Documents.Select(document => Parse(document, parsing, options)),
            symbols.ReferenceNames.Select(resolve).OfType<string>()
                .Concat(PlatformFiles())
                .Distinct()
                .Select(path => MetadataReference.CreateFromFile(path)),
            compiling);
    }

    /// <summary>Where the types of the platform are, to which the assemblies that a program names only forward.</summary>
    private static IEnumerable<string> PlatformFiles() =>
        Directory.EnumerateFiles(RuntimeEnvironment.GetRuntimeDirectory(), "System.Private.*.dll");

    private static SyntaxTree Parse(
        PdbDocument document, CSharpParseOptions parsing, IReadOnlyDictionary<string, string> options) =>
        CSharpSyntaxTree.ParseText(
            Read(document, options.GetValueOrDefault("default-encoding"), options.GetValueOrDefault("fallback-encoding")),
            parsing,
            document.Path);

    private static SourceText Read(PdbDocument document, string? named, string? other)
    {
        if (document.Embedded is { } embedded && !File.Exists(document.Path))
        {
            return SourceFile.Read(embedded, named, other);
        }

        if (!File.Exists(document.Path))
        {
            throw new CannotFixException(
                $"{document.Path} is not there: run the command where the assembly was built, and build it without ContinuousIntegrationBuild.");
        }

        byte[] content = File.ReadAllBytes(document.Path);
        return document.IsCompiledFrom(content)
            ? SourceFile.Read(content, named, other)
            : throw new CannotFixException($"{document.Path} has changed since the assembly was built: build it again.");
    }
}
