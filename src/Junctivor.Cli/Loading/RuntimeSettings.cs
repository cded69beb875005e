using System.Runtime.InteropServices;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace Junctivor.Cli.Loading;

/// <summary>What stands in the <c>.runtimeconfig.json</c> beside an assembly: its frameworks, and its switches.</summary>
internal sealed class RuntimeSettings
{
    private const string OwnFramework = "Microsoft.NETCore.App";

    private readonly JsonNode? _options;

    private RuntimeSettings(JsonNode? options) => _options = options;

    private static string SharedFolder => Path.GetFullPath(Path.Combine(RuntimeEnvironment.GetRuntimeDirectory(), "..", ".."));

    /// <summary>
    /// Where the shared frameworks are that the assembly names beside the basic one; for a library, which names none, all
    /// that are installed for this runtime.
    /// </summary>
    public IReadOnlyList<string> FrameworkFolders =>
    [
        .. (_options is null ? Installed() : Frameworks())
            .Where(framework => framework.Name != OwnFramework)
            .Select(framework => FolderOf(framework.Name, framework.Version))
            .OfType<string>(),
    ];

    /// <exception cref="CannotCheckException">The file is there, and cannot be read.</exception>
    public static RuntimeSettings Beside(FileInfo assembly)
    {
        string path = Path.ChangeExtension(assembly.FullName, ".runtimeconfig.json");
        if (!File.Exists(path))
        {
            return new RuntimeSettings(null);
        }

        try
        {
            return new RuntimeSettings(JsonNode.Parse(File.ReadAllText(path))?["runtimeOptions"]);
        }
        catch (JsonException failure)
        {
            throw new CannotCheckException($"{Path.GetFileName(path)} cannot be read (line {failure.LineNumber + 1}): build the project again.");
        }
    }

    /// <summary>Sets the switches that the program would run with.</summary>
    public void Apply()
    {
        foreach ((string name, JsonNode? value) in _options?["configProperties"] as JsonObject ?? [])
        {
            AppContext.SetData(name, value?.ToString());
        }
    }

    private IEnumerable<(string Name, string Version)> Frameworks()
    {
        IEnumerable<JsonNode?> named = _options?["frameworks"] as JsonArray ?? [];
        return named.Append(_options?["framework"]).OfType<JsonNode>().Select(node => ($"{node["name"]}", $"{node["version"]}"));
    }

    private static IEnumerable<(string Name, string Version)> Installed() => Directory.Exists(SharedFolder)
        ? Directory.GetDirectories(SharedFolder).Select(folder => (Path.GetFileName(folder), $"{Environment.Version.Major}.0.0"))
        : [];

    /// <summary>The newest installed version that is no older than the one named, of the same major version.</summary>
    private static string? FolderOf(string framework, string version)
    {
        string shared = Path.Combine(SharedFolder, framework);
        if (!Directory.Exists(shared) || !Version.TryParse(version.Split('-')[0], out Version? wanted))
        {
            return null;
        }

        return Directory.GetDirectories(shared)
            .Select(folder => (Folder: folder, Version: Version.TryParse(Path.GetFileName(folder).Split('-')[0], out Version? installed) ? installed : null))
            .Where(each => each.Version is not null && each.Version.Major == wanted.Major && each.Version >= wanted)
            .OrderByDescending(each => each.Version)
            .FirstOrDefault()
            .Folder;
    }
}
