using System.Reflection;
using System.Text.RegularExpressions;
using System.Xml.Linq;
using Junctivor.Tests.Shared;

namespace Junctivor.Tests;

/// <summary>What the design promises about the source itself.</summary>
public partial class HouseTests
{
    private static string Core => Path.Combine(ProgramRun.RepositoryRoot, "src", "Junctivor");

    [Fact]
    public void The_core_references_no_package_and_no_project()
    {
        XDocument project = XDocument.Load(Path.Combine(Core, "Junctivor.csproj"));

        Assert.DoesNotContain(project.Descendants(), element => element.Name.LocalName is "PackageReference" or "ProjectReference");
        Assert.All(typeof(Wiring).Assembly.GetReferencedAssemblies(), name => Assert.StartsWith("System.", name.Name, StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("Graph")]
    [InlineData("Checks")]
    public void Graph_and_checks_know_types_by_name_only(string folder)
    {
        foreach (string file in Directory.EnumerateFiles(Path.Combine(Core, folder), "*.cs", SearchOption.AllDirectories))
        {
            Assert.DoesNotMatch(ReflectionWords(), File.ReadAllText(file));
        }

        IEnumerable<FieldInfo> fields = typeof(Wiring).Assembly.GetTypes()
            .Where(type => type.Namespace == $"Junctivor.{folder}")
            .SelectMany(type => type.GetFields(BindingFlags.Instance | BindingFlags.Static | BindingFlags.Public | BindingFlags.NonPublic));
        Assert.DoesNotContain(fields, field => field.FieldType == typeof(Type));
    }

    [Fact]
    public void Every_code_that_the_checks_can_say_has_a_section_in_the_documentation()
    {
        string documentation = File.ReadAllText(Path.Combine(ProgramRun.RepositoryRoot, "docs", "faults.md"));
        IEnumerable<string> said = Directory.EnumerateFiles(Core, "*.cs", SearchOption.AllDirectories)
            .SelectMany(file => CodeAndName().Matches(File.ReadAllText(file)))
            .Select(match => $"## {match.Groups[1].Value} {match.Groups[2].Value}")
            .Distinct();

        Assert.All(said, section => Assert.Contains(section, documentation, StringComparison.Ordinal));
        Assert.NotEmpty(said);
    }

    [GeneratedRegex(@"\btypeof\(|\.GetType\(\)|System\.Reflection|\bType [a-z]\w*[;,)]|(?<!"")\bSystem\.Type\b|using Junctivor\.(Registering|Reading|Plans|Runtime)")]
    private static partial Regex ReflectionWords();

    [GeneratedRegex("Code = \"(JV\\d+)\",\\s+Name = \"([a-z-]+)\"")]
    private static partial Regex CodeAndName();
}
