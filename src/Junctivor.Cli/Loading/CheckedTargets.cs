using System.ComponentModel;
using System.Diagnostics;
using System.Reflection.Metadata;
using System.Reflection.PortableExecutable;
using System.Text.Json.Nodes;
using Junctivor.Cli.Output;
using Junctivor.Reports.Text;

namespace Junctivor.Cli.Loading;

/// <summary>What a call of <c>check</c> names: assemblies, or projects and solutions, which are built first.</summary>
internal static class CheckedTargets
{
    private const int MostErrors = 10;

    private static readonly string[] Solutions = [".slnx", ".sln"];
    private static readonly string[] Projects = [".csproj", ".fsproj", ".vbproj"];

    /// <summary>The assemblies to check.</summary>
    /// <param name="named">What was named; nothing stands for the project or solution in the current folder.</param>
    /// <exception cref="CannotCheckException">Something is not there, does not build, or has no wiring.</exception>
    public static IReadOnlyList<FileInfo> Assemblies(IReadOnlyList<string> named) =>
        [.. (named.Count == 0 ? ["."] : named).SelectMany(AssembliesOf).DistinctBy(file => file.FullName)];

    private static IReadOnlyList<FileInfo> AssembliesOf(string named)
    {
        string file = Directory.Exists(named) ? InFolder(named) : named;
        bool isSolution = Solutions.Contains(Path.GetExtension(file), StringComparer.OrdinalIgnoreCase);
        if (!isSolution && !Projects.Contains(Path.GetExtension(file), StringComparer.OrdinalIgnoreCase))
        {
            return [new FileInfo(file)];
        }

        if (!File.Exists(file))
        {
            throw new CannotCheckException($"{file} does not exist.");
        }

        string name = Path.GetFileName(file);
        Waiting.While($"Building {name} …", () => Build(file));
        IReadOnlyList<string> projects = isSolution ? ProjectsOf(file) : [file];
        FileInfo[] built = Waiting.While($"Looking for wirings in {name} …", () => projects.Select(OutputOf).OfType<string>()
            .Select(path => new FileInfo(path)).Where(HasWiring).ToArray());
        return built.Length > 0
            ? built
            : throw new CannotCheckException(
                $"{name} has no wiring to check: put [CheckedWiring] on a public static property or method that returns a Wiring.");
    }

    private static string InFolder(string folder)
    {
        foreach (string[] kinds in new[] { Solutions, Projects })
        {
            string[] found = [.. Directory.EnumerateFiles(folder)
                .Where(file => kinds.Contains(Path.GetExtension(file), StringComparer.OrdinalIgnoreCase)).Order(StringComparer.Ordinal)];
            if (found.Length > 0)
            {
                string[] names = [.. found.Select(file => Path.GetFileName(file))];
                return found.Length == 1
                    ? found[0]
                    : throw new CannotCheckException($"{FolderName(folder)} has several projects or solutions: name {Words.Or(names)}.");
            }
        }

        throw new CannotCheckException(
            $"{FolderName(folder)} has no project and no solution: name one, or an assembly, such as bin/Debug/net10.0/Harbour.dll.");
    }

    private static string FolderName(string folder) => folder == "." ? "the current folder" : folder;

    /// <summary>Without analyzers: their faults are those that are checked for.</summary>
    /// <exception cref="CannotCheckException">It does not build.</exception>
    private static bool Build(string file)
    {
        (int status, string output) = Run("build", file, "--nologo", "-v", "quiet", "-tl:off", "-p:RunAnalyzers=false");
        if (status == 0)
        {
            return true;
        }

        string[] errors = [.. output.Split('\n').Select(line => line.Trim())
            .Where(line => line.Contains(": error ", StringComparison.Ordinal)).Distinct()];
        throw new CannotCheckException(
            $"{Path.GetFileName(file)} does not build: {string.Join(" ", errors.Take(MostErrors).DefaultIfEmpty(output.Trim()))}");
    }

    private static IReadOnlyList<string> ProjectsOf(string solution)
    {
        (_, string output) = Run("sln", solution, "list");
        string folder = Path.GetDirectoryName(Path.GetFullPath(solution))!;
        return
        [
            .. output.Split('\n').Select(line => line.Trim().Replace('\\', Path.DirectorySeparatorChar))
                .Where(line => Projects.Contains(Path.GetExtension(line), StringComparer.OrdinalIgnoreCase))
                .Select(line => Path.Combine(folder, line)),
        ];
    }

    /// <summary>The assembly that a project builds; of several frameworks, for the last one. Null where it builds none.</summary>
    private static string? OutputOf(string project)
    {
        JsonNode? properties = PropertiesOf(project, []);
        string[] frameworks = [.. $"{properties?["TargetFrameworks"]}".Split(';', StringSplitOptions.RemoveEmptyEntries)];
        if (frameworks.Length > 0)
        {
            properties = PropertiesOf(project, [$"-p:TargetFramework={frameworks[^1].Trim()}"]);
        }

        string path = $"{properties?["TargetPath"]}";
        return File.Exists(path) ? path : null;
    }

    private static JsonNode? PropertiesOf(string project, string[] further)
    {
        (int status, string output) =
            Run(["msbuild", project, "-nologo", "-getProperty:TargetPath", "-getProperty:TargetFrameworks", .. further]);
        return status == 0 ? JsonNode.Parse(output)?["Properties"] : null;
    }

    /// <summary>Whether an assembly mentions the attribute at all; it is not loaded.</summary>
    private static bool HasWiring(FileInfo file)
    {
        using FileStream stream = file.OpenRead();
        using PEReader reader = new(stream);
        MetadataReader metadata = reader.GetMetadataReader();
        return metadata.TypeReferences.Select(metadata.GetTypeReference)
            .Any(type => metadata.StringComparer.Equals(type.Name, nameof(CheckedWiringAttribute)));
    }

    private static (int Status, string Output) Run(params string[] arguments)
    {
        string host = Environment.ProcessPath!;
        bool isDotnet = string.Equals(Path.GetFileNameWithoutExtension(host), "dotnet", StringComparison.OrdinalIgnoreCase);
        ProcessStartInfo start = new(isDotnet ? host : "dotnet", arguments)
        {
            RedirectStandardInput = true,
            RedirectStandardOutput = true,
            RedirectStandardError = true,
            Environment = { ["DOTNET_NOLOGO"] = "1", ["DOTNET_CLI_UI_LANGUAGE"] = "en", ["MSBUILDTERMINALLOGGER"] = "off" },
        };
        try
        {
            using Process process = Process.Start(start)!;
            process.StandardInput.Close();
            Task<string> errors = process.StandardError.ReadToEndAsync();
            string output = process.StandardOutput.ReadToEnd();
            process.WaitForExit();
            return (process.ExitCode, output + errors.Result);
        }
        catch (Win32Exception)
        {
            throw new CannotCheckException("a project is built with the program 'dotnet', which was not found: name its assembly instead.");
        }
    }
}
