namespace Junctivor.Cli.Commands;

/// <summary>Which part of a wiring is drawn; the whole where nothing is named.</summary>
/// <param name="From">The service below which everything is drawn; null for none.</param>
/// <param name="Around">The service of which the neighbors are drawn; null for none.</param>
/// <param name="Path">Two services between which all ways are drawn; empty for none.</param>
internal sealed record DrawnPart(string? From, string? Around, IReadOnlyList<string> Path)
{
    /// <summary>How many of the three are named.</summary>
    public int Count => (From is null ? 0 : 1) + (Around is null ? 0 : 1) + (Path.Count == 0 ? 0 : 1);
}
