namespace Frameworks.Tests;

/// <summary>What docs/frameworks.md shows is part of the program that the tests drive.</summary>
public class DocumentationTests
{
    private static readonly string[] Fences = ["```cs\n", "```razor\n"];

    [Fact]
    public void Each_piece_of_code_stands_in_the_program()
    {
        string root = Root();
        string[] sources =
        [
            .. Directory.EnumerateFiles(Path.Combine(root, "examples", "Frameworks"), "*.*", SearchOption.AllDirectories)
                .Where(file => Path.GetExtension(file) is ".cs" or ".razor")
                .Where(file => !file.Contains($"{Path.DirectorySeparatorChar}obj{Path.DirectorySeparatorChar}", StringComparison.Ordinal))
                .Select(file => Unindented(File.ReadAllText(file))),
        ];
        string[] blocks = [.. File.ReadAllText(Path.Combine(root, "docs", "frameworks.md")).ReplaceLineEndings("\n")
            .Split(Fences, StringSplitOptions.None).Skip(1).Select(block => Unindented(block.Split("```")[0]))];

        Assert.True(blocks.Length > 10);
        Assert.All(blocks, block => Assert.Contains(sources, source => source.Contains(block, StringComparison.Ordinal)));
    }

    private static string Unindented(string text) =>
        string.Join('\n', text.ReplaceLineEndings("\n").Trim().Split('\n').Select(line => line.Trim()));

    private static string Root()
    {
        DirectoryInfo folder = new(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(folder.FullName, "Junctivor.slnx")))
        {
            folder = folder.Parent!;
        }

        return folder.FullName;
    }
}
