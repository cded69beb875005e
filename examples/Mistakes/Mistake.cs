using Junctivor;

namespace Mistakes;

/// <summary>A mistake, and how to make it.</summary>
/// <param name="Code">The code of the fault.</param>
/// <param name="Sample">The class that creates it.</param>
/// <param name="Show">Creates the mistake, and gives what Junctivor says to it.</param>
public sealed record Mistake(string Code, Type Sample, Func<CheckReport> Show)
{
    private const int Indent = 4;

    /// <summary>The source of the sample: what stands in its class.</summary>
    /// <returns>Lines of C#, without a line break at the end.</returns>
    public string Source()
    {
        using Stream source = typeof(Mistake).Assembly.GetManifestResourceStream($"{Sample.Name}.cs")!;
        using StreamReader reader = new(source);
        string[] lines = reader.ReadToEnd().ReplaceLineEndings("\n").TrimEnd().Split('\n');
        int start = Array.IndexOf(lines, "{") + 1;
        return string.Join("\n", lines[start..^1].Select(line => line.Length > Indent ? line[Indent..] : ""));
    }
}
