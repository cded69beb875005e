using System.Reflection;
using System.Runtime.InteropServices;
using System.Runtime.Loader;
using Junctivor.Checks;
using Junctivor.Fixing;
using Junctivor.Fixing.Editing;
using Junctivor.Fixing.Sources;
using Junctivor.Reports.Wirings;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;

namespace Junctivor.Cli.Loading;

/// <summary>An assembly with its sources, which can be changed, compiled and checked without a file being written.</summary>
internal sealed class FixableAssembly
{
    private readonly FileInfo _file;
    private readonly IReadOnlyList<string> _frameworkFolders;
    private readonly AssemblyDependencyResolver _resolver;
    private readonly PackageAssemblies _packages;

    /// <exception cref="CannotCheckException">The file is not an assembly, or its sources are not there as they were compiled.</exception>
    public FixableAssembly(FileInfo file)
    {
        AssemblyLoading.Load(file);
        _file = file;
        _frameworkFolders = RuntimeSettings.Beside(file).FrameworkFolders();
        _resolver = new AssemblyDependencyResolver(file.FullName);
        _packages = PackageAssemblies.Of(file.FullName);
        try
        {
            Sources = SourceSet.Of(file.FullName, PathOf);
        }
        catch (CannotFixException problem)
        {
            throw new CannotCheckException(problem.Message);
        }
    }

    /// <summary>The sources as they were compiled.</summary>
    public CSharpCompilation Sources { get; }

    /// <summary>The wirings without <c>[CheckedWiring]</c> that the program builds, read from its source.</summary>
    public SourceWirings BuiltBy(BuildOptions options) => SourceWirings.Of(Sources, options);

    /// <summary>Compiles sources and checks the wirings in them: the marked ones as they are, the others as the compiler knows
    /// them.</summary>
    /// <param name="sources">The sources.</param>
    /// <param name="wiring">The only wiring to check; null for all.</param>
    /// <param name="options">What counts as a fault.</param>
    /// <exception cref="CannotEditException">They do not compile, or their wiring code throws.</exception>
    public IReadOnlyList<(string Wiring, Fault Fault)> Check(CSharpCompilation sources, string? wiring, BuildOptions options)
    {
        using MemoryStream image = new();
        if (!sources.Emit(image).Success)
        {
            throw new CannotEditException($"its sources cannot be compiled: {NameRepair.ErrorsOf(sources).First()}");
        }

        image.Position = 0;
        CheckedLoadContext context = new(_file.FullName, _frameworkFolders);
        try
        {
            Assembly assembly = context.LoadFromStream(image);
            CheckedWirings marked = CheckedWirings.In(assembly);
            IReadOnlyList<(string Wiring, Fault Fault)> found = [.. marked.Create(wiring)
                .SelectMany(each => each.Wiring.Check(options, marked.EntryPointsOf(each.Name, each.Wiring, Refuse)).All
                    .Select(fault => (each.Name, fault)))];
            HashSet<(string, string, Severity)> known = [.. found.Select(each => KeyOf(each.Fault))];
            return wiring is not null
                ? found
                : [.. found, .. SourceWirings.Of(sources, options).Faults.Where(each => !known.Contains(KeyOf(each.Fault)))];
        }
        catch (UnreadableWiringException problem)
        {
            throw new CannotEditException(problem.Message);
        }
    }

    private static (string Code, string Summary, Severity Severity) KeyOf(Fault fault) => (fault.Code, fault.Summary, fault.Severity);

    private static void Refuse(string problem) => throw new UnreadableWiringException(problem);

    private string? PathOf(string fileName) =>
        fileName == $"{typeof(Wiring).Assembly.GetName().Name}.dll" ? typeof(Wiring).Assembly.Location
        : _resolver.ResolveAssemblyToPath(new AssemblyName(Path.GetFileNameWithoutExtension(fileName))) ?? _frameworkFolders
            .Append(RuntimeEnvironment.GetRuntimeDirectory())
            .Append(_file.DirectoryName!)
            .Select(folder => Path.Combine(folder, fileName))
            .FirstOrDefault(File.Exists)
            ?? _packages.Find(new AssemblyName(Path.GetFileNameWithoutExtension(fileName)));
}
