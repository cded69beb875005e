using Junctivor.Checks;

namespace Junctivor.Reports.Faults;

/// <summary>What the documentation says of each kind of fault; it travels with the library.</summary>
public static class FaultSections
{
    private static readonly Lazy<string> Page = new(ReadPage);

    /// <summary>The section of a kind.</summary>
    /// <param name="kind">The kind.</param>
    /// <returns>Markdown, from the heading on, with line feeds.</returns>
    /// <exception cref="ArgumentNullException">The kind is null.</exception>
    public static string Of(FaultKind kind)
    {
        ArgumentNullException.ThrowIfNull(kind);
        string heading = $"## {kind.Code} {kind.Name}\n";
        int start = Page.Value.IndexOf(heading, StringComparison.Ordinal);
        return start < 0 ? $"{heading}\n{kind.Meaning}\n" : From(start);
    }

    /// <summary>The section of what is found by the compiler alone, and so is no kind of fault.</summary>
    /// <param name="code">The code, in letters of any case, such as <c>JV901</c>.</param>
    /// <returns>Markdown, from the heading on, with line feeds; null if the documentation has none.</returns>
    /// <exception cref="ArgumentNullException">The code is null.</exception>
    public static string? Find(string code)
    {
        ArgumentNullException.ThrowIfNull(code);
        string heading = $"\n## {code.ToUpperInvariant()} ";
        int start = Page.Value.IndexOf(heading, StringComparison.Ordinal);
        return start < 0 ? null : From(start + 1);
    }

    private static string From(int start)
    {
        int end = Page.Value.IndexOf("\n## ", start, StringComparison.Ordinal);
        return Page.Value[start..(end < 0 ? Page.Value.Length : end)].TrimEnd() + "\n";
    }

    private static string ReadPage()
    {
        using Stream page = typeof(FaultSections).Assembly.GetManifestResourceStream("faults.md")!;
        using StreamReader reader = new(page);
        return reader.ReadToEnd().ReplaceLineEndings("\n");
    }
}
