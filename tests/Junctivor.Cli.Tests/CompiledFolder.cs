using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;

namespace Junctivor.Cli.Tests;

/// <summary>A folder with assemblies that a test writes as C#.</summary>
internal sealed class CompiledFolder : IDisposable
{
    private readonly string _folder = Directory.CreateTempSubdirectory("junctivor-compiled-").FullName;

    /// <param name="name">The name of the assembly.</param>
    /// <param name="source">What stands in it.</param>
    /// <param name="references">What it refers to, beside the base library.</param>
    /// <returns>The file.</returns>
    public string Compile(string name, string source, params string[] references)
    {
        string path = PathOf($"{name}.dll");
        IEnumerable<string> platform = ((string)AppContext.GetData("TRUSTED_PLATFORM_ASSEMBLIES")!).Split(Path.PathSeparator)
            .Where(file => !Path.GetFileName(file).StartsWith("Junctivor", StringComparison.Ordinal));
        CSharpCompilation compilation = CSharpCompilation.Create(
            name,
            [CSharpSyntaxTree.ParseText(source, cancellationToken: TestContext.Current.CancellationToken)],
            platform.Concat(references).Select(reference => MetadataReference.CreateFromFile(reference)),
            new CSharpCompilationOptions(OutputKind.DynamicallyLinkedLibrary));
        Assert.True(compilation.Emit(path, cancellationToken: TestContext.Current.CancellationToken).Success);
        return path;
    }

    public string PathOf(string file) => Path.Combine(_folder, file);

    public void Dispose() => Directory.Delete(_folder, recursive: true);
}
