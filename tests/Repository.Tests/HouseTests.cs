using System.Diagnostics;
using System.Reflection;
using System.Text.RegularExpressions;
using System.Xml.Linq;
using Junctivor;
using Junctivor.Tests.Shared;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Text;

namespace Repository.Tests;

/// <summary>What the design declares about the source itself.</summary>
public partial class HouseTests
{
    private const int LongestLine = 140;

    private static string Core => Path.Combine(ProgramRun.RepositoryRoot, "src", "Junctivor");

    [Fact]
    public void The_core_references_no_package_and_no_project()
    {
        XDocument project = XDocument.Load(Path.Combine(Core, "Junctivor.csproj"));

        Assert.DoesNotContain(project.Descendants(), element => element.Name.LocalName is "PackageReference" or "ProjectReference");
        Assert.All(
            typeof(Wiring).Assembly.GetReferencedAssemblies(), name => Assert.StartsWith("System.", name.Name, StringComparison.Ordinal));
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
    public void Lines_end_at_140_columns_but_for_long_texts()
    {
        IReadOnlyList<string> tooLong =
        [
            .. from file in SourceFiles()
               from line in LongLinesOf(file)
               select line,
        ];

        Assert.True(tooLong.Count == 0, string.Join("\n", tooLong));
    }

    /// <summary>A build does not check it, and the formatter needs minutes for the whole solution.</summary>
    [Fact]
    public void Imports_are_sorted_with_those_of_System_first()
    {
        IEnumerable<string> unsorted =
            from file in SourceFiles()
            let imports = ImportsOf(file).ToList()
            where !imports.SequenceEqual(
                imports.OrderBy(name => name.Split('.')[0] == "System" ? 0 : 1).ThenBy(name => name, StringComparer.OrdinalIgnoreCase))
            select $"{file}: run dotnet format";

        Assert.Empty(unsorted);
    }

    [Fact]
    public void Lines_of_prose_in_Markdown_end_at_140_columns()
    {
        IReadOnlyList<string> tooLong = [.. MarkdownFiles().SelectMany(LongLinesOfProse)];

        Assert.True(tooLong.Count == 0, string.Join("\n", tooLong));
    }

    [Fact]
    public void A_rule_is_in_the_folder_of_rules_and_what_is_known_only_later_is_not()
    {
        string checks = Path.Combine(Core, "Checks");

        Assert.All(NamesIn(Path.Combine(checks, "Rules")), name => Assert.EndsWith("Rule", name, StringComparison.Ordinal));
        Assert.All(NamesIn(Path.Combine(checks, "RunTime")), name => Assert.EndsWith("Faults", name, StringComparison.Ordinal));
        Assert.DoesNotContain(
            NamesIn(checks), name => name is not ("IRule" or "NodeRule") && name.EndsWith("Rule", StringComparison.Ordinal));
    }

    [Fact]
    public void The_paths_that_the_architecture_names_exist()
    {
        HashSet<string> paths =
        [
            .. from entry in Directory.EnumerateFileSystemEntries(ProgramRun.RepositoryRoot, "*", SearchOption.AllDirectories)
               select $"/{Path.GetRelativePath(ProgramRun.RepositoryRoot, entry).Replace('\\', '/')}",
        ];
        string page = File.ReadAllText(Path.Combine(ProgramRun.RepositoryRoot, "ARCHITECTURE.md"));

        IReadOnlyList<string> named = [.. PathWords().Matches(page).Select(word => word.Groups[1].Value).Distinct()];

        Assert.True(named.Count > 50);
        Assert.DoesNotContain(named, name => !paths.Any(path => path.EndsWith($"/{name}", StringComparison.Ordinal)));
    }

    /// <summary>A path, or the name of a file, in Markdown.</summary>
    [GeneratedRegex(@"`((?:[\w.{}]+/)+[\w.{}-]+|[\w.{}]+\.cs)`")]
    private static partial Regex PathWords();

    private static IEnumerable<string> SourceFiles() =>
        Directory.EnumerateFiles(ProgramRun.RepositoryRoot, "*.cs", SearchOption.AllDirectories)
            .Where(file => !file.EndsWith(".g.cs", StringComparison.Ordinal)
                && !file.Contains($"{Path.DirectorySeparatorChar}obj{Path.DirectorySeparatorChar}", StringComparison.Ordinal));

    private static IEnumerable<string> ImportsOf(string file) =>
        from line in File.ReadLines(file).TakeWhile(line => !line.StartsWith("namespace ", StringComparison.Ordinal))
        let import = Import().Match(line)
        where import.Success
        select import.Groups[1].Value;

    [GeneratedRegex(@"^using ([\w.]+);")]
    private static partial Regex Import();

    private static IEnumerable<string> NamesIn(string folder) =>
        Directory.EnumerateFiles(folder, "*.cs").Select(file => Path.GetFileNameWithoutExtension(file)!);

    private static IEnumerable<string> MarkdownFiles()
    {
        string root = ProgramRun.RepositoryRoot;
        return Directory.EnumerateFiles(root, "*.md")
            .Concat(Directory.EnumerateFiles(Path.Combine(root, "docs"), "*.md"))
            .Concat(Directory.EnumerateFiles(Path.Combine(root, "docs", "decisions"), "*.md"))
            .Concat(Directory.EnumerateDirectories(Path.Combine(root, "src"))
                .Select(project => Path.Combine(project, "README.md"))
                .Where(File.Exists));
    }

    /// <summary>Code, tables and pictures cannot be wrapped.</summary>
    private static IEnumerable<string> LongLinesOfProse(string file)
    {
        bool isCode = false;
        int number = 0;
        foreach (string line in File.ReadLines(file))
        {
            number++;
            string start = line.TrimStart();
            isCode ^= start.StartsWith("```", StringComparison.Ordinal);
            if (!isCode && line.Length > LongestLine && !start.StartsWith('|') && !start.StartsWith("![", StringComparison.Ordinal))
            {
                yield return $"{file}:{number}";
            }
        }
    }

    private static IEnumerable<string> LongLinesOf(string file)
    {
        if (!File.ReadLines(file).Any(line => line.Length > LongestLine))
        {
            yield break;
        }

        SourceText text = SourceText.From(File.ReadAllText(file));
        SyntaxNode root = CSharpSyntaxTree.ParseText(text, new CSharpParseOptions(LanguageVersion.Preview)).GetRoot();
        foreach (TextLine line in text.Lines.Where(line => line.End - line.Start > LongestLine))
        {
            SyntaxToken last = root.FindToken(line.Start + LongestLine, findInsideTrivia: true);
            if (!last.Parent!.AncestorsAndSelf().Any(node => node is LiteralExpressionSyntax or InterpolatedStringExpressionSyntax))
            {
                yield return $"{file}:{line.LineNumber + 1}";
            }
        }
    }

    [Fact]
    public async Task Generated_files_are_up_to_date()
    {
        string folder = Directory.CreateTempSubdirectory("arities-").FullName;
        try
        {
            ProcessStartInfo start = new("dotnet",
                ["run", "eng/Arities.cs", "--", folder])
            { WorkingDirectory = ProgramRun.RepositoryRoot, RedirectStandardOutput = true };
            using Process process = Process.Start(start)!;
            await process.WaitForExitAsync(TestContext.Current.CancellationToken);

            string[] written = [.. Directory.EnumerateFiles(folder, "*.g.cs", SearchOption.AllDirectories)
                .Select(file => Path.GetRelativePath(folder, file)).Order(StringComparer.Ordinal)];
            string[] kept = [.. Directory.EnumerateFiles(Core, "*.g.cs", SearchOption.AllDirectories)
                .Select(file => Path.GetRelativePath(Core, file))
                .Where(file => !file.StartsWith("obj", StringComparison.Ordinal))
                .Order(StringComparer.Ordinal)];
            Assert.Equal(kept, written);
            Assert.All(
                written,
                file => Assert.True(
                    File.ReadAllText(Path.Combine(folder, file)) == File.ReadAllText(Path.Combine(Core, file)),
                    $"{file}: run 'dotnet run eng/Arities.cs'"));
        }
        finally
        {
            Directory.Delete(folder, recursive: true);
        }
    }

    [GeneratedRegex(@"\btypeof\([^{]|\.GetType\(\)|System\.Reflection|\bType [a-z]\w*[;,)]|(?<!"")\bSystem\.Type\b|using Junctivor\.(Registering|Reading|Runtime|Sessions|Workers|Building)")]
    private static partial Regex ReflectionWords();
}
