namespace Junctivor.Reports.Text;

/// <summary>A source file before and after a change.</summary>
internal sealed record ChangedSource(string File, string Before, string After);
