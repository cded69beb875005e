using System.Reflection;
using System.Runtime.Loader;
using Junctivor;
using Junctivor.Checks;
using Junctivor.Fixing;
using Junctivor.Fixing.Editing;
using Junctivor.Tests.Shared;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.Text;

namespace Mistakes.Tests;

/// <summary>The source of one sample, compiled, checked and run as often as it is changed.</summary>
internal sealed class FixedSource
{
    private static readonly IReadOnlyList<MetadataReference> References =
        [.. ((string)AppContext.GetData("TRUSTED_PLATFORM_ASSEMBLIES")!).Split(Path.PathSeparator)
            .Select(path => MetadataReference.CreateFromFile(path))];

    private FixedSource(CSharpCompilation compilation) => Compilation = compilation;

    public CSharpCompilation Compilation { get; }

    public string Text => Compilation.SyntaxTrees[^1].ToString();

    public IReadOnlyList<(string Wiring, Fault Fault)> Found => Check(Compilation);

    public static FixedSource Of(string file) => Of([(file, File.ReadAllText(file))]);

    public static FixedSource OfText(params string[] texts) => Of([.. texts.Select((text, number) => ($"Sample{number}.cs", text))]);

    public static FixedSource Of(SourceText text) => Of([("Sample.cs", text)]);

    private static FixedSource Of(IReadOnlyList<(string File, string Text)> files) =>
        Of([.. files.Select(file => (file.File, SourceText.From(file.Text, System.Text.Encoding.UTF8)))]);

    private static FixedSource Of(IReadOnlyList<(string File, SourceText Text)> files)
    {
        FixedSource source = new(CSharpCompilation.Create(
            Path.GetFileNameWithoutExtension(files[0].File),
            [
                CSharpSyntaxTree.ParseText(ImplicitUsings.Text, path: "usings", encoding: System.Text.Encoding.UTF8),
                .. files.Select(file => CSharpSyntaxTree.ParseText(file.Text, path: file.File)),
            ],
            References,
            new CSharpCompilationOptions(OutputKind.DynamicallyLinkedLibrary, nullableContextOptions: NullableContextOptions.Enable)));
        Assert.Empty(NameRepair.ErrorsOf(source.Compilation));
        return source;
    }

    /// <summary>The source with the fixes that the command makes.</summary>
    public (FixedSource Source, IReadOnlyList<FixOutcome> Done) Fix() => Fix(makesUncertain: false);

    /// <summary>The source with all first fixes, also with those that the command leaves to be made by hand.</summary>
    public (FixedSource Source, IReadOnlyList<FixOutcome> Done) FixAll() => Fix(makesUncertain: true);

    private (FixedSource Source, IReadOnlyList<FixOutcome> Done) Fix(bool makesUncertain)
    {
        Fixer fixer = new(Compilation, Check) { MakesUncertain = makesUncertain };
        fixer.Run(_ => true);
        return (new FixedSource(fixer.After), fixer.Done);
    }

    /// <summary>The source with one fix.</summary>
    public FixedSource With(Fix fix, (string Wiring, Fault Fault) found) => new(Fixer.With(Compilation, fix, found, Check));

    /// <summary>What the sample's <c>Run</c> writes; null if it has none.</summary>
    public string? Output() => InMemory(Compilation, assembly =>
    {
        MethodInfo? run = assembly.GetExportedTypes()
            .Select(type => type.GetMethod("Run", [typeof(TextWriter)]))
            .FirstOrDefault(each => each is not null);
        using StringWriter output = new() { NewLine = "\n" };
        if (run?.Invoke(null, [output]) is Task running)
        {
            running.GetAwaiter().GetResult();
        }

        return run is null ? null : output.ToString();
    });

    /// <summary>The source with the edits of a fix, unchecked.</summary>
    public FixedSource Edited(Fix fix) => new(SourceEditor.Apply(Compilation, fix.Edits));

    /// <summary>What some work on the compiled source gives.</summary>
    public T Run<T>(Func<Assembly, T> work) => InMemory(Compilation, work);

    private static IReadOnlyList<(string Wiring, Fault Fault)> Check(CSharpCompilation compilation) => InMemory(
        compilation,
        assembly => (IReadOnlyList<(string, Fault)>)[.. assembly.GetExportedTypes()
            .SelectMany(type => type.GetProperties(BindingFlags.Public | BindingFlags.Static))
            .Where(property => property.IsDefined(typeof(CheckedWiringAttribute)))
            .SelectMany(property => ((Wiring)property.GetValue(null)!).Check().All.Select(fault => (property.Name, fault)))]);

    private static T InMemory<T>(CSharpCompilation compilation, Func<Assembly, T> work)
    {
        using MemoryStream image = new();
        using MemoryStream symbols = new();
        Assert.True(compilation.Emit(image, symbols).Success, string.Join("\n", NameRepair.ErrorsOf(compilation)));
        image.Position = 0;
        symbols.Position = 0;
        AssemblyLoadContext context = new("fixed", isCollectible: true);
        try
        {
            return work(context.LoadFromStream(image, symbols));
        }
        finally
        {
            context.Unload();
        }
    }
}
