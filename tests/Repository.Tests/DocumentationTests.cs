using System.Text.RegularExpressions;
using Junctivor.Tests;
using Junctivor.Tests.Shared;

namespace Repository.Tests;

/// <summary>Every block of C# in the documentation compiles, in the world of its examples.</summary>
public partial class DocumentationTests
{
    public static TheoryData<string, int> Blocks
    {
        get
        {
            TheoryData<string, int> blocks = [];
            // The blocks of faults.md are the samples of examples/Mistakes, which have tests of their own.
            foreach (string file in Directory.EnumerateFiles(Path.Combine(ProgramRun.RepositoryRoot, "docs"), "*.md")
                .Where(file => Path.GetFileName(file) != "faults.md").Append(Path.Combine(ProgramRun.RepositoryRoot, "README.md")))
            {
                for (int number = 0; number < BlocksIn(file).Count; number++)
                {
                    blocks.Add(Path.GetRelativePath(ProgramRun.RepositoryRoot, file), number);
                }
            }

            return blocks;
        }
    }

    [Theory]
    [MemberData(nameof(Blocks))]
    public async Task Each_block_compiles_and_is_sound(string file, int number)
    {
        string block = BlocksIn(Path.Combine(ProgramRun.RepositoryRoot, file))[number];
        if (block.StartsWith("using Junctivor;", StringComparison.Ordinal))
        {
            Assert.Empty(CompiledSource.ErrorsOfProgram(block, ""));
            Assert.Empty(await AnalyzedProgram.FaultsAsync(block, ""));
            return;
        }

        string usings = "using static AtHand;\nusing Junctivor.Testing;\n"
            + (file.EndsWith("web.md", StringComparison.Ordinal) || block.Contains("WebApplication", StringComparison.Ordinal)
                ? ExampleWorld.WebUsings
                : "");
        string statement = block.Contains("sealed class", StringComparison.Ordinal) ? "return;\n" : "";
        string desk = block.Contains("class BookingDesk", StringComparison.Ordinal) ? ExampleWorld.NoDesk : ExampleWorld.Desk;

        IReadOnlyList<string> errors = CompiledSource.ErrorsOfProgram(usings + statement + block, ExampleWorld.Types + desk);

        Assert.Empty(errors);
        Assert.Empty(await AnalyzedProgram.FaultsAsync(usings + statement + block, ExampleWorld.Types + desk));
    }

    [Fact]
    public void The_program_of_the_readme_is_the_one_of_the_package() =>
        Assert.Equal(
            BlocksIn(Path.Combine(ProgramRun.RepositoryRoot, "src", "Junctivor", "README.md"))[0],
            BlocksIn(Path.Combine(ProgramRun.RepositoryRoot, "README.md"))[0]);

    [Fact]
    public void A_block_that_is_wrong_would_be_found() =>
        Assert.NotEmpty(CompiledSource.ErrorsOfProgram("Wiring wiring = [Singleton.Of<INowhere>()];", ExampleWorld.Types));

    [Fact]
    public async Task A_block_that_is_unsound_would_be_found() =>
        Assert.NotEmpty(await AnalyzedProgram.FaultsAsync(
            "using var office = new Wiring { Singleton.Of<BookingDesk>() }.Build();", ExampleWorld.Types + ExampleWorld.Desk));

    private static List<string> BlocksIn(string file) =>
        [.. CSharpBlock().Matches(File.ReadAllText(file)).Select(match => match.Groups[1].Value)];

    [GeneratedRegex("```csharp\n(.*?)```", RegexOptions.Singleline)]
    private static partial Regex CSharpBlock();
}
