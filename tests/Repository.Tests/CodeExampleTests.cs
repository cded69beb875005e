using System.Text.RegularExpressions;
using System.Xml.Linq;
using Junctivor.Tests;
using Junctivor.Tests.Shared;

namespace Repository.Tests;

/// <summary>Every example in a documentation comment compiles.</summary>
public partial class CodeExampleTests
{
    private const string Usings = """
        using static AtHand;
        using System.Threading.Channels;
        using Junctivor.Testing;
        using Microsoft.AspNetCore.SignalR;
        using Xunit;

        """;

    public static TheoryData<string, int> Examples
    {
        get
        {
            TheoryData<string, int> examples = [];
            string sources = Path.Combine(ProgramRun.RepositoryRoot, "src");
            foreach (string file in Directory.EnumerateFiles(sources, "*.cs", SearchOption.AllDirectories).Where(IsOfPackage))
            {
                for (int index = 0; index < ExamplesIn(file).Count; index++)
                {
                    examples.Add(Path.GetRelativePath(sources, file), index);
                }
            }

            return examples;
        }
    }

    [Theory]
    [MemberData(nameof(Examples))]
    public void Each_example_compiles(string file, int index)
    {
        string example = ExamplesIn(Path.Combine(ProgramRun.RepositoryRoot, "src", file))[index];
        string desk = example.Contains("class BookingDesk", StringComparison.Ordinal) ? ExampleWorld.NoDesk : ExampleWorld.Desk;

        Assert.Empty(CompiledSource.ErrorsOfProgram(ExampleWorld.WebUsings + Usings + Program(example), ExampleWorld.Types + desk));
    }

    [Fact]
    public void Each_statement_of_an_example_is_on_its_own_line() => Assert.DoesNotContain(
        Examples,
        row => TwoStatements().IsMatch(ExamplesIn(Path.Combine(ProgramRun.RepositoryRoot, "src", row.Data.Item1))[row.Data.Item2]));

    /// <summary>Members get a class around them; types come after the statements of a program.</summary>
    private static string Program(string example) => Member().IsMatch(example) ? $"return;\npublic class Example\n{{\n{example}\n}}"
        : Type().IsMatch(example) ? $"return;\n{example}"
        : example;

    private static bool IsOfPackage(string file) =>
        !file.Contains("/obj/", StringComparison.Ordinal) && !file.Contains("/content/", StringComparison.Ordinal);

    private static List<string> ExamplesIn(string file) =>
    [
        .. Code().Matches(File.ReadAllText(file)).Select(match => XElement.Parse(CommentStart().Replace(match.Value, "")).Value),
    ];

    [GeneratedRegex("<code>\n.*?</code>", RegexOptions.Singleline)]
    private static partial Regex Code();

    [GeneratedRegex("^ */// ?", RegexOptions.Multiline)]
    private static partial Regex CommentStart();

    [GeneratedRegex(@"\A\s*\[\w+\]\s*public (static|void)")]
    private static partial Regex Member();

    [GeneratedRegex(@"\A\s*public (sealed )?class")]
    private static partial Regex Type();

    /// <summary>A statement, and after it another; for an initializer, what follows its brace.</summary>
    [GeneratedRegex(@";[ \t]+(?!//|set;|init;|\})\S.*;[ \t]*$|\}; +\S", RegexOptions.Multiline)]
    private static partial Regex TwoStatements();
}
