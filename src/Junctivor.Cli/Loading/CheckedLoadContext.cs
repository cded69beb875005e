using System.Reflection;
using System.Runtime.Loader;

namespace Junctivor.Cli.Loading;

/// <summary>
/// Finds the dependencies of the assembly to check beside it, in the frameworks that it names, and in the package folders. Junctivor
/// itself is shared with the command, so that both mean the same types.
/// </summary>
internal sealed class CheckedLoadContext(string assemblyPath, IReadOnlyList<string> frameworkFolders)
    : AssemblyLoadContext(Path.GetFileName(assemblyPath))
{
    private readonly AssemblyDependencyResolver _resolver = new(assemblyPath);
    private readonly PackageAssemblies _packages = PackageAssemblies.Of(assemblyPath);

    /// <summary>What keeps a package from being found, and the cure; null if nothing does.</summary>
    public string? MissingPackage => _packages.Missing;

    protected override Assembly? Load(AssemblyName assemblyName)
    {
        if (assemblyName.Name == typeof(Wiring).Assembly.GetName().Name)
        {
            OwnVersion.Check(Name, assemblyName);
            return typeof(Wiring).Assembly;
        }

        string? path = _resolver.ResolveAssemblyToPath(assemblyName) ?? frameworkFolders
            .Select(folder => Path.Combine(folder, $"{assemblyName.Name}.dll"))
            .FirstOrDefault(File.Exists)
            ?? _packages.Find(assemblyName);
        return path is null ? null : LoadFromAssemblyPath(path);
    }

    protected override nint LoadUnmanagedDll(string unmanagedDllName) =>
        _resolver.ResolveUnmanagedDllToPath(unmanagedDllName) is { } path ? LoadUnmanagedDllFromPath(path) : 0;
}
