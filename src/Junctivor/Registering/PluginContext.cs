using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using System.Runtime.Loader;

namespace Junctivor.Registering;

/// <summary>The load context of one plug-in. It unloads when the last container that uses it is disposed.</summary>
internal sealed class PluginContext(string path) : AssemblyLoadContext(Path.GetFileNameWithoutExtension(path), isCollectible: true)
{
    private readonly AssemblyDependencyResolver? _resolver = ResolverFor(path);
    private int _users;

    public void Use() => Interlocked.Increment(ref _users);

    public void Leave()
    {
        if (Interlocked.Decrement(ref _users) == 0)
        {
            Unload();
        }
    }

    /// <summary>The plug-in itself.</summary>
    [RequiresUnreferencedCode(TrimmingReasons.Scanning)]
    public Assembly LoadPlugin() => LoadFromAssemblyPath(path);

    /// <summary>What the program has loaded is shared with the plug-in, so that both mean the same types.</summary>
    [UnconditionalSuppressMessage("Trimming", "IL2026", Justification = "Whoever loads a plug-in was told.")]
    protected override Assembly? Load(AssemblyName assemblyName)
    {
        if (Default.Assemblies.Any(loaded => loaded.GetName().Name == assemblyName.Name))
        {
            return null;
        }

        string beside = Path.Combine(Path.GetDirectoryName(path)!, $"{assemblyName.Name}.dll");
        string? found = _resolver?.ResolveAssemblyToPath(assemblyName) ?? (File.Exists(beside) ? beside : null);
        return found is null ? null : LoadFromAssemblyPath(found);
    }

    /// <summary>Reads the dependencies that the plug-in names; null if it names none that can be read.</summary>
    private static AssemblyDependencyResolver? ResolverFor(string path)
    {
        try
        {
            return new AssemblyDependencyResolver(path);
        }
        catch (InvalidOperationException)
        {
            return null;
        }
    }
}
