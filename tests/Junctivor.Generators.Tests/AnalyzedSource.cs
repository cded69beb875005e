extern alias Generators;

using System.Collections.Immutable;
using System.Reflection;
using System.Runtime.Loader;
using Generators::Junctivor.Generators;
using Junctivor.Checks;
using Junctivor.Tests.Shared;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.Diagnostics;

namespace Junctivor.Generators.Tests;

/// <summary>Source that is compiled, analyzed, and checked at run time.</summary>
internal sealed class AnalyzedSource
{
    /// <summary>What every file of a project may name.</summary>
    public const string Usings = $"{ImplicitUsings.Text}global using Junctivor;";

    /// <summary>The base class library and ours.</summary>
    public static readonly IReadOnlyList<MetadataReference> References =
        [.. ((string)AppContext.GetData("TRUSTED_PLATFORM_ASSEMBLIES")!).Split(Path.PathSeparator)
            .Where(path => Path.GetFileNameWithoutExtension(path) is "Junctivor" or "Junctivor.Hosting" or "Junctivor.AspNetCore"
                || !Path.GetFileNameWithoutExtension(path).StartsWith("Junctivor", StringComparison.Ordinal))
            .Select(path => MetadataReference.CreateFromFile(path))];

    private static readonly CSharpCompilationOptions Options =
        new(OutputKind.DynamicallyLinkedLibrary, nullableContextOptions: NullableContextOptions.Enable);

    private AnalyzedSource(CSharpCompilation compilation)
    {
        Compilation = compilation;
        Assert.Empty(compilation.GetDiagnostics(TestContext.Current.CancellationToken)
            .Where(found => found.Severity == DiagnosticSeverity.Error)
            .Select(found => found.ToString()));
    }

    public CSharpCompilation Compilation { get; }

    /// <summary>What it references beside the library, as a build leaves it.</summary>
    private AnalyzedSource? Referenced { get; init; }

    /// <summary>Compiles files of source; fails if they have errors.</summary>
    public static AnalyzedSource Of(params IReadOnlyList<(string File, string Text)> files) => new(Compile("Analyzed", files));

    /// <summary>The same as a project that another one can reference: with what the generator leaves behind.</summary>
    public static AnalyzedSource OfModule(params IReadOnlyList<(string File, string Text)> files)
    {
        GeneratorDriver driver = CSharpGeneratorDriver.Create(new WiringGenerator());
        driver.RunGeneratorsAndUpdateCompilation(
            Compile("Module", files), out Compilation compilation, out _, TestContext.Current.CancellationToken);
        return new AnalyzedSource((CSharpCompilation)compilation);
    }

    /// <summary>What the generator writes for a program that is to be published natively, by the names of the files.</summary>
    public IReadOnlyDictionary<string, string> Generate(bool isNative)
    {
        GeneratorDriver driver = CSharpGeneratorDriver.Create(
            [new WiringGenerator().AsSourceGenerator()],
            optionsProvider: new BuildProperties(isNative ? new() { [WiringGenerator.RecipesProperty] = "true" } : []));
        driver = driver.RunGeneratorsAndUpdateCompilation(
            Compilation, out Compilation compilation, out _, TestContext.Current.CancellationToken);
        _ = new AnalyzedSource((CSharpCompilation)compilation);
        return driver.GetRunResult().Results[0].GeneratedSources.ToDictionary(source => source.HintName, source => $"{source.SourceText}");
    }

    /// <summary>A program of one file, which can be started.</summary>
    public static AnalyzedSource OfProgram(string text, AnalyzedSource? referenced = null) => new(
        Compile("Program", [("/Program.cs", text)])
            .WithOptions(Options.WithOutputKind(OutputKind.ConsoleApplication))
            .AddReferences(referenced is null ? [] : [referenced.AsFile()]))
    {
        Referenced = referenced,
    };

    /// <summary>The same program, as an editor compiles it: other projects are references to their source.</summary>
    public AnalyzedSource InEditor() => Referenced is not { } module
        ? this
        : new AnalyzedSource((CSharpCompilation)Compilation
            .RemoveReferences(Compilation.References.Last())
            .AddReferences(module.Compilation.ToMetadataReference()))
        {
            Referenced = module,
        };

    /// <summary>What the compiler says of the generator.</summary>
    public IReadOnlyList<Diagnostic> GeneratorProblems() =>
        CSharpGeneratorDriver.Create(new WiringGenerator())
            .RunGenerators(Compilation, TestContext.Current.CancellationToken)
            .GetRunResult()
            .Diagnostics;

    /// <summary>A project that references this one.</summary>
    public AnalyzedSource ReferencedBy(params IReadOnlyList<(string File, string Text)> files) =>
        new(Compile("Analyzed", files).AddReferences(AsFile())) { Referenced = this };

    /// <summary>The reference assembly that a build leaves.</summary>
    private PortableExecutableReference AsFile()
    {
        using MemoryStream image = new();
        Assert.True(Compilation.Emit(
            image,
            options: new Microsoft.CodeAnalysis.Emit.EmitOptions(metadataOnly: true, includePrivateMembers: false),
            cancellationToken: TestContext.Current.CancellationToken).Success);
        return MetadataReference.CreateFromImage(image.ToArray());
    }

    private static CSharpCompilation Compile(string name, IReadOnlyList<(string File, string Text)> files) => CSharpCompilation.Create(
        name,
        [
            CSharpSyntaxTree.ParseText(Usings, path: "/usings.cs"),
            .. files.Select(file => CSharpSyntaxTree.ParseText(file.Text, path: file.File)),
        ],
        References,
        Options);

    /// <summary>The source as an editor has it open: with options of its own, by which the analyzer knows it again.</summary>
    public CSharpCompilation AsProject(string name) =>
        Compilation.WithAssemblyName(name).WithOptions(Compilation.Options.WithModuleName($"{name}.dll"));

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
    public IReadOnlyDictionary<string, IReadOnlyList<string>> Check() => Checked()
        .ToDictionary(found => found.Wiring, found => (IReadOnlyList<string>)[.. found.Faults.Select(fault => fault.ToString())]);

    /// <summary>The same faults, one by one.</summary>
    public IReadOnlyList<(string Wiring, Fault Fault)> CheckFaults() =>
        [.. Checked().SelectMany(found => found.Faults.Select(fault => (found.Wiring, fault)))];

    private IReadOnlyList<(string Wiring, IReadOnlyList<Fault> Faults)> Checked()
    {
        AssemblyLoadContext context = new("analyzed", isCollectible: true);
        try
        {
            Referenced?.LoadInto(context);
            return
            [
                .. from type in LoadInto(context).GetTypes()
                   from property in type.GetProperties(BindingFlags.Public | BindingFlags.Static)
                   where property.IsDefined(typeof(CheckedWiringAttribute))
                   select (property.Name, ((Wiring)property.GetValue(null)!).Check().All),
            ];
        }
        finally
        {
            context.Unload();
        }
    }

    /// <summary>Starts a program, and returns what it throws; null if it runs to its end.</summary>
    public Exception? Start()
    {
        AssemblyLoadContext context = new("analyzed", isCollectible: true);
        try
        {
            Referenced?.LoadInto(context);
            MethodInfo main = LoadInto(context).EntryPoint!;
            main.Invoke(null, main.GetParameters().Length == 0 ? [] : [Array.Empty<string>()]);
            return null;
        }
        catch (TargetInvocationException thrown)
        {
            return thrown.InnerException;
        }
        finally
        {
            context.Unload();
        }
    }

    /// <summary>Loads it, and calls a function of the assembly.</summary>
    public string Run(Func<Assembly, object> work)
    {
        AssemblyLoadContext context = new("analyzed", isCollectible: true);
        try
        {
            return $"{work(LoadInto(context))}";
        }
        finally
        {
            context.Unload();
        }
    }

    private Assembly LoadInto(AssemblyLoadContext context)
    {
        using MemoryStream image = new();
        Assert.True(Compilation.Emit(image, cancellationToken: TestContext.Current.CancellationToken).Success);
        image.Position = 0;
        return context.LoadFromStream(image);
    }

    /// <summary>The whole text of a fault, as the analyzer knows it.</summary>
    public static string TextOf(Diagnostic diagnostic) => diagnostic.Properties[WiringAnalyzer.TextProperty]!;
}
