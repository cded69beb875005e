using System.Runtime.InteropServices;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace Junctivor.Cli.Loading;

/// <summary>What stands in the <c>.runtimeconfig.json</c> beside an assembly: its frameworks, and its switches.</summary>
internal sealed class RuntimeSettings
{
    private const string OwnFramework = "Microsoft.NETCore.App";

    private readonly string _assembly;
    private readonly string _folder;
    private readonly JsonObject? _options;

    private RuntimeSettings(FileInfo assembly, JsonObject? options)
    {
        _assembly = assembly.Name;
        _folder = $"{assembly.DirectoryName}{Path.DirectorySeparatorChar}";
        _options = options;
    }

    private static string SharedFolder => Path.GetFullPath(Path.Combine(RuntimeEnvironment.GetRuntimeDirectory(), "..", ".."));

    /// <summary>
    /// Where the shared frameworks are that the assembly names beside the basic one; for a library, which names none, all
    /// that are installed for this runtime.
    /// </summary>
    /// <exception cref="CannotCheckException">One that it names is not installed, or is newer than what the command runs on.</exception>
    public IReadOnlyList<string> FrameworkFolders()
    {
        if (_options is null)
        {
            return [.. Installed()
                .Where(framework => framework.Name != OwnFramework)
                .Select(framework => FolderOf(framework.Name, framework.Version)).OfType<string>()];
        }

        List<string> folders = [];
        foreach ((string name, string version) in Frameworks())
        {
            if (name != OwnFramework)
            {
                folders.Add(
                    FolderOf(name, version)
                        ?? throw new CannotCheckException(
                            $"{_assembly} needs {name} {version}, which is not installed: install it, or set DOTNET_ROOT to where it is."));
            }
            else if (VersionOf(version) is { } wanted && wanted.Major > Environment.Version.Major)
            {
                throw new CannotCheckException(
                    $"{_assembly} needs .NET {wanted.Major}, and this command runs on .NET {Environment.Version.Major}: install the "
                        + "newer SDK, and set DOTNET_ROLL_FORWARD=Major.");
            }
        }

        return folders;
    }

    /// <exception cref="CannotCheckException">The file is there, and cannot be read.</exception>
    public static RuntimeSettings Beside(FileInfo assembly)
    {
        string path = Path.ChangeExtension(assembly.FullName, ".runtimeconfig.json");
        if (!File.Exists(path))
        {
            return new RuntimeSettings(assembly, null);
        }

        try
        {
            return JsonNode.Parse(File.ReadAllText(path)) is JsonObject settings && settings["runtimeOptions"] is null or JsonObject
                ? new RuntimeSettings(assembly, (JsonObject?)settings["runtimeOptions"])
                : throw new CannotCheckException($"{Path.GetFileName(path)} has no readable runtime options: build the project again.");
        }
        catch (JsonException failure)
        {
            throw new CannotCheckException(
                $"{Path.GetFileName(path)} cannot be read (line {failure.LineNumber + 1}): build the project again.");
        }
        catch (Exception failure) when (failure is IOException or UnauthorizedAccessException)
        {
            throw new CannotCheckException($"{Path.GetFileName(path)} cannot be read: {failure.Message}");
        }
    }

    /// <summary>Sets the switches that the program would run with, and its folder, where it looks for its files.</summary>
    public void Apply()
    {
        AppContext.SetData("APP_CONTEXT_BASE_DIRECTORY", _folder);
        foreach ((string name, JsonNode? value) in _options?["configProperties"] as JsonObject ?? [])
        {
            AppContext.SetData(name, value?.ToString());
        }
    }

    private IEnumerable<(string Name, string Version)> Frameworks()
    {
        IEnumerable<JsonNode?> named = _options?["frameworks"] as JsonArray ?? [];
        return named.Append(_options?["framework"]).OfType<JsonNode>().Select(node => node is JsonObject framework
            ? ($"{framework["name"]}", $"{framework["version"]}")
            : throw new CannotCheckException(
                $"{Path.ChangeExtension(_assembly, ".runtimeconfig.json")} names '{node}' as a framework, without name and version: "
                    + "build the project again."));
    }

    private static IEnumerable<(string Name, string Version)> Installed() => Directory.Exists(SharedFolder)
        ? Directory.GetDirectories(SharedFolder).Select(folder => (Path.GetFileName(folder), $"{Environment.Version.Major}.0.0"))
        : [];

    private static Version? VersionOf(string text) => Version.TryParse(text.Split('-')[0], out Version? version) ? version : null;

    /// <summary>The newest installed version that is no older than the one named, of the same major version.</summary>
    private static string? FolderOf(string framework, string version)
    {
        string shared = Path.Combine(SharedFolder, framework);
        if (!Directory.Exists(shared) || VersionOf(version) is not { } wanted)
        {
            return null;
        }

        return Directory.GetDirectories(shared)
            .Select(folder => (Folder: folder, Version: VersionOf(Path.GetFileName(folder))))
            .Where(each => each.Version is not null && each.Version.Major == wanted.Major && each.Version >= wanted)
            .OrderByDescending(each => each.Version)
            .FirstOrDefault()
            .Folder;
    }
}
