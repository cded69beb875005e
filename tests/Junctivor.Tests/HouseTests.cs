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

    [GeneratedRegex(@"\btypeof\([^{]|\.GetType\(\)|System\.Reflection|\bType [a-z]\w*[;,)]|(?<!"")\bSystem\.Type\b|using Junctivor\.(Registering|Reading|Runtime|Sessions|Workers|Building)")]
    private static partial Regex ReflectionWords();
}
