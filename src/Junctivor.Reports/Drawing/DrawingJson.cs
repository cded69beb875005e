using System.Text.Json;

namespace Junctivor.Reports.Drawing;

/// <summary>Writes a drawing as JSON: see docs/formats.md.</summary>
internal static class DrawingJson
{
    private const int Version = 1;

    public static string Write(DrawnGraph drawing) => JsonSerializer.Serialize(
        new { Format = "junctivor-drawing", Version, drawing.Wiring, drawing.Nodes, drawing.Edges, drawing.Faults }, Json.Full);
}
