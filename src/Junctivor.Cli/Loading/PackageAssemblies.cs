using System.Reflection;
using System.Text.Json;
using System.Text.Json.Nodes;
using Microsoft.Extensions.DependencyModel;

namespace Junctivor.Cli.Loading;

/// <summary>
/// The assemblies of the packages that an assembly references. A program has them in its output folder; a class library does not, and
/// its <c>.deps.json</c> says which they are. They are in the package folders, where a restore put them.
/// </summary>
internal sealed class PackageAssemblies
{
    private const string Package = "package";

    private readonly Dictionary<string, RuntimeLibrary> _libraries = new(StringComparer.OrdinalIgnoreCase);
    private readonly IReadOnlyList<string> _folders;

    private PackageAssemblies(DependencyContext? context, IReadOnlyList<string> folders)
    {
        _folders = folders;
        foreach (RuntimeLibrary library in context?.RuntimeLibraries.Where(each => each.Type == Package) ?? [])
        {
            foreach (string path in PathsIn(library))
            {
                _libraries.TryAdd(Path.GetFileNameWithoutExtension(path), library);
            }
        }
    }

    /// <summary>Those that the assembly names.</summary>
    /// <exception cref="CannotCheckException">What it says of them cannot be read.</exception>
    public static PackageAssemblies Of(string assembly)
    {
        string file = Path.ChangeExtension(assembly, ".deps.json");
        if (!File.Exists(file))
        {
            return new PackageAssemblies(null, []);
        }

        try
        {
            using FileStream stream = File.OpenRead(file);
            using DependencyContextJsonReader reader = new();
            return new PackageAssemblies(reader.Read(stream), FoldersFor(assembly));
        }
        catch (Exception failure) when (failure is FormatException or JsonException or InvalidOperationException or IOException)
        {
            throw new CannotCheckException($"{Path.GetFileName(file)} cannot be read: build the project again.");
        }
    }

    /// <summary>What keeps a package from being found, and the cure; null if nothing does.</summary>
    public string? Missing { get; private set; }

    /// <summary>The file of an assembly; null if no package has it, or its package is <see cref="Missing"/>.</summary>
    public string? Find(AssemblyName name)
    {
        if (name.Name is null || !_libraries.TryGetValue(name.Name, out RuntimeLibrary? library))
        {
            return null;
        }

        string path = PathsIn(library).First(each =>
            string.Equals(Path.GetFileNameWithoutExtension(each), name.Name, StringComparison.OrdinalIgnoreCase));
        string folder = library.Path ?? $"{library.Name.ToLowerInvariant()}/{library.Version.ToLowerInvariant()}";
        string? file = _folders.Select(each => Path.GetFullPath(Path.Combine(each, folder, path))).FirstOrDefault(File.Exists);
        if (file is null)
        {
            Missing ??= $"the package {library.Name} {library.Version} is not in {string.Join(" or ", _folders)}: run 'dotnet restore'.";
        }

        return file;
    }

    private static IEnumerable<string> PathsIn(RuntimeLibrary library) =>
        library.RuntimeAssemblyGroups.SelectMany(group => group.AssetPaths);

    /// <summary>Where packages are: as the project was restored, as the environment says, and where they are by default.</summary>
    private static IReadOnlyList<string> FoldersFor(string assembly) =>
    [
        .. Restored(assembly)
            .Append(Environment.GetEnvironmentVariable("NUGET_PACKAGES"))
            .Append(Path.Combine(Environment.GetFolderPath(Environment.SpecialFolder.UserProfile), ".nuget", "packages"))
            .OfType<string>().Where(folder => folder.Length > 0).Select(Path.TrimEndingDirectorySeparator).Distinct(),
    ];

    /// <summary>The folders in the file that a restore leaves in the project, which is somewhere above the output folder.</summary>
    private static IEnumerable<string?> Restored(string assembly)
    {
        for (DirectoryInfo? folder = new FileInfo(assembly).Directory; folder is not null; folder = folder.Parent)
        {
            string assets = Path.Combine(folder.FullName, "obj", "project.assets.json");
            if (File.Exists(assets))
            {
                return JsonNode.Parse(File.ReadAllText(assets))?["packageFolders"] is JsonObject folders
                    ? [.. folders.Select(each => each.Key)]
                    : [];
            }
        }

        return [];
    }
}
