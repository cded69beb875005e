using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.Emit;
using Microsoft.CodeAnalysis.Text;

namespace Junctivor.Mutation;

/// <summary>The source of the library, compiled as the test build does it. Safe for use by several threads.</summary>
internal sealed class Library
{
    private static readonly string[] Symbols = ["DEBUG", "TRACE", "NET", "NET10_0", "NET10_0_OR_GREATER", "NET9_0_OR_GREATER",
        "NET8_0_OR_GREATER"];

    private readonly string _root;
    private readonly CSharpCompilation _sound;

    /// <param name="root">The root of the repository, whose library has been built once.</param>
    public Library(string root)
    {
        _root = root;
        string project = Path.Combine(root, "src", "Junctivor");
        string made = Path.Combine(project, "obj", "Debug", "net10.0");
        CSharpParseOptions parsing = new(LanguageVersion.Latest, preprocessorSymbols: Symbols);
        IEnumerable<string> files = Directory.EnumerateFiles(project, "*.cs", SearchOption.AllDirectories)
            .Where(file => !Path.GetRelativePath(project, file).StartsWith("obj", StringComparison.Ordinal))
            .Where(file => !Path.GetRelativePath(project, file).StartsWith("bin", StringComparison.Ordinal))
            .Concat(Directory.EnumerateFiles(made, "Junctivor.*.cs"))
            .Concat(Directory.EnumerateFiles(made, ".NETCoreApp*.cs"))
            .Order(StringComparer.Ordinal);
        _sound = CSharpCompilation.Create(
            "Junctivor",
            files.Select(
                file => CSharpSyntaxTree.ParseText(SourceText.From(File.ReadAllText(file), System.Text.Encoding.UTF8), parsing, file)),
            Directory.EnumerateFiles(References(), "*.dll").Select(path => MetadataReference.CreateFromFile(path)),
            new CSharpCompilationOptions(
                OutputKind.DynamicallyLinkedLibrary, nullableContextOptions: NullableContextOptions.Enable, deterministic: true));
    }

    /// <summary>Every mistake that can be written into these folders.</summary>
    public IReadOnlyList<Mutant> Mutants(IReadOnlyList<string> folders) =>
    [
        .. _sound.SyntaxTrees
            .Where(tree => !tree.FilePath.EndsWith(".g.cs", StringComparison.Ordinal))
            .Where(tree =>
                folders.Any(
                    folder =>
                        tree.FilePath.StartsWith(
                            Path.Combine(_root, "src", "Junctivor", folder) + Path.DirectorySeparatorChar, StringComparison.Ordinal)))
            .SelectMany(tree => MutantFinder.Find(Path.GetRelativePath(_root, tree.FilePath), tree)),
    ];

    /// <summary>Compiles the library, with a mistake or as it is.</summary>
    /// <param name="folder">Where the assembly goes, in place of the one that is there.</param>
    /// <param name="mutant">The mistake; null for none.</param>
    /// <returns>Whether it compiles; if not, the folder is as it was.</returns>
    public bool TryCompile(string folder, Mutant? mutant)
    {
        CSharpCompilation compilation = _sound;
        if (mutant is not null)
        {
            SyntaxTree tree = mutant.Original.SyntaxTree;
            SyntaxTree changed =
                CSharpSyntaxTree.ParseText(mutant.Root.GetText(System.Text.Encoding.UTF8), (CSharpParseOptions)tree.Options, tree.FilePath);
            compilation = _sound.ReplaceSyntaxTree(tree, changed);
        }

        using MemoryStream assembly = new();
        using MemoryStream symbols = new();
        EmitResult result =
            compilation.Emit(assembly, symbols, options: new EmitOptions(debugInformationFormat: DebugInformationFormat.PortablePdb));
        if (!result.Success)
        {
            Problem ??= string.Join('\n', result.Diagnostics.Where(each => each.Severity == DiagnosticSeverity.Error).Take(5));
            return false;
        }

        File.WriteAllBytes(Path.Combine(folder, "Junctivor.dll"), assembly.ToArray());
        File.WriteAllBytes(Path.Combine(folder, "Junctivor.pdb"), symbols.ToArray());
        return true;
    }

    /// <summary>The reference assemblies of the SDK that runs this.</summary>
    private static string References()
    {
        string packs =
            Path.Combine(Path.GetDirectoryName(typeof(object).Assembly.Location)!, "..", "..", "..", "packs", "Microsoft.NETCore.App.Ref");
        return Path.Combine(Directory.EnumerateDirectories(packs, "10.*").Max()!, "ref", "net10.0");
    }

    /// <summary>The first errors of the compiler, for when the library as it is does not compile.</summary>
    public string? Problem { get; private set; }
}
