using Junctivor.Checks;

namespace Mistakes;

/// <summary>The table of all codes, as docs/faults.md shows it.</summary>
public static class CodeTable
{
    /// <summary>Writes the table as Markdown.</summary>
    /// <returns>A line for each code, after two lines of heading; no line break at the end.</returns>
    public static string Text() => string.Join(
        '\n',
        FaultKind.All
            .Select(kind => $"| {kind.Code} | {kind.Name} | {kind.Severity.ToString().ToLowerInvariant()} | {kind.Meaning} |")
            .Prepend("|---|---|---|---|")
            .Prepend("| code | name | severity | meaning |")
            .Append("| JV901 | not-followed | warning or info | The compiler cannot follow a wiring, and did not check it. |")
            .Append("| JV903 | unused-result | warning | A registration, or what an option of it returns, is not used. |"));
}
