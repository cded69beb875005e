using Junctivor.Tests.Shared;
using Microsoft.CodeAnalysis;

namespace Repository.Tests.Architecture;

/// <summary>The folders of the library form one way, as ARCHITECTURE.md shows it.</summary>
public class FolderDependencyTests
{
    private static readonly Dictionary<string, string[]> Allowed = new()
    {
        ["Graph"] = [],
        ["Telemetry"] = [],
        ["Checks"] = ["Graph"],
        ["Registering"] = ["Graph", "Checks"],
        ["Reading"] = ["Graph", "Checks", "Registering"],
        ["Runtime"] = ["Graph", "Checks", "Registering", "Reading", "Telemetry"],
        ["Sessions"] = ["Runtime", "Registering"],
        ["Workers"] = ["Runtime", "Registering"],
    };

    private static readonly IReadOnlyList<MetadataReference> Library =
        [.. ((string)AppContext.GetData("TRUSTED_PLATFORM_ASSEMBLIES")!).Split(Path.PathSeparator)
            .Where(path => Path.GetFileName(path).StartsWith("System.", StringComparison.Ordinal)
                || Path.GetFileName(path) == "netstandard.dll")
            .Select(path => MetadataReference.CreateFromFile(path))];

    [Fact]
    public void Each_folder_names_only_those_that_come_before_it()
    {
        string core = Path.Combine(ProgramRun.RepositoryRoot, "src", "Junctivor");
        IEnumerable<(string Path, string Text)> sources = Directory.EnumerateFiles(core, "*.cs", SearchOption.AllDirectories)
            .Select(file => Path.GetRelativePath(core, file).Replace('\\', '/'))
            .Where(path => !path.StartsWith("bin/", StringComparison.Ordinal) && !path.StartsWith("obj/", StringComparison.Ordinal))
            .Select(path => (path, File.ReadAllText(Path.Combine(core, path))))
            .Append(("",
                "global using System; global using System.Collections.Generic; global using System.IO; global using System.Linq; global "
                    + "using System.Threading; global using System.Threading.Tasks;"));

        Assert.Empty(new FolderDependencies(Allowed, "Building").Violations(sources, Library));
    }

    [Fact]
    public void An_arrow_back_is_found_with_its_file_and_line()
    {
        FolderDependencies folders = new(Allowed, "Building");

        IReadOnlyList<string> violations = folders.Violations(
            [
                ("Graph/Node.cs", "namespace A;\nclass Node\n{\n    B.Rule? Rule;\n    int Number = B.Rule.Size;\n}"),
                ("Checks/Rule.cs", "namespace B;\nclass Rule\n{\n    public const int Size = 1;\n    A.Node? Node;\n}"),
                ("Registering/Wiring.cs", "namespace C;\npartial class Wiring\n{\n    Wiring? Other;\n    void Use() => Build();\n}"),
                ("Building/Wiring.Building.cs", "namespace C;\npartial class Wiring\n{\n    void Build() => new B.Rule();\n}"),
                ("Attic/Box.cs", "namespace D;\nclass Box;"),
            ],
            Library);

        Assert.Equal(
            [
                "Attic/Box.cs: the folder Attic is not in the list.",
                "Graph/Node.cs:4 names Rule, which is in Checks.",
                "Graph/Node.cs:5 names Rule, which is in Checks.",
                "Graph/Node.cs:5 names Size, which is in Checks.",
                "Registering/Wiring.cs:5 names Build, which is in Building.",
            ],
            violations);
    }
}
