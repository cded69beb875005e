using System.Text;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.Emit;
using Microsoft.CodeAnalysis.Text;

namespace Junctivor.Cli.Tests;

/// <summary>A folder with assemblies that a test writes as C#.</summary>
internal sealed class CompiledFolder : IDisposable
{
    private static readonly IReadOnlyList<string> Platform = [.. ((string)AppContext.GetData("TRUSTED_PLATFORM_ASSEMBLIES")!)
        .Split(Path.PathSeparator)
        .Where(file => !Path.GetFileName(file).StartsWith("Junctivor", StringComparison.Ordinal))];

    private readonly string _folder = Directory.CreateTempSubdirectory("junctivor-compiled-").FullName;

    /// <param name="name">The name of the assembly.</param>
    /// <param name="source">What stands in it.</param>
    /// <param name="references">What it refers to, beside the base class library.</param>
    /// <returns>The file.</returns>
    public string Compile(string name, string source, params string[] references)
    {
        string path = PathOf($"{name}.dll");
        CSharpCompilation compilation = CSharpCompilation.Create(
            name,
            [CSharpSyntaxTree.ParseText(source, cancellationToken: TestContext.Current.CancellationToken)],
            Platform.Concat(references).Select(reference => MetadataReference.CreateFromFile(reference)),
            new CSharpCompilationOptions(OutputKind.DynamicallyLinkedLibrary));
        Assert.True(compilation.Emit(path, cancellationToken: TestContext.Current.CancellationToken).Success);
        return path;
    }

    /// <summary>Compiles a source file of the folder, with symbols beside the assembly.</summary>
    /// <param name="file">The name of the file, with what stands in it.</param>
    /// <param name="references">What it refers to, beside the base class library.</param>
    /// <returns>The assembly.</returns>
    public string CompileFile(string file, params string[] references) =>
        CompileFile(file, OutputKind.DynamicallyLinkedLibrary, null, references);

    /// <summary>The same for a program, or with another encoding than UTF-8.</summary>
    public string CompileFile(string file, OutputKind kind, Encoding? encoding, params string[] references)
    {
        string source = PathOf(file);
        string assembly = Path.ChangeExtension(source, ".dll");
        using FileStream text = File.OpenRead(source);
        using FileStream image = File.Create(assembly);
        using FileStream symbols = File.Create(Path.ChangeExtension(source, ".pdb"));
        CSharpCompilation compilation = CSharpCompilation.Create(
            Path.GetFileNameWithoutExtension(file),
            [
                CSharpSyntaxTree.ParseText(
                    SourceText.From(text, encoding), path: source, cancellationToken: TestContext.Current.CancellationToken),
            ],
            Platform.Concat(references).Select(reference => MetadataReference.CreateFromFile(reference)),
            new CSharpCompilationOptions(kind, nullableContextOptions: NullableContextOptions.Enable));
        EmitResult result = compilation.Emit(image, symbols, cancellationToken: TestContext.Current.CancellationToken);
        Assert.True(result.Success, string.Join("\n", result.Diagnostics));
        return assembly;
    }

    public string PathOf(string file) => Path.Combine(_folder, file);

    public void Dispose() => Directory.Delete(_folder, recursive: true);
}
