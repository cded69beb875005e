using System.Net;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace Junctivor.Reports.Drawing;

/// <summary>
/// Writes a drawing as one page that needs nothing else. Its policy lets only its own script and style run, and nothing be loaded; the
/// drawing is data in it, in which no angle bracket is left.
/// </summary>
internal static class PageText
{
    /// <summary>What every such page has in it.</summary>
    public const string Sign = "<script id=\"drawing\" type=\"application/json\">";

    private static readonly JsonSerializerOptions Data = new(JsonSerializerDefaults.Web)
    {
        DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
    };

    public static string Write(DrawnGraph drawing)
    {
        string style = Read("page.css");
        string script = Read("page.bundle.js");
        string wiring = WebUtility.HtmlEncode(drawing.Wiring);
        string data = JsonSerializer.Serialize(
            new { drawing.Wiring, drawing.Nodes, drawing.Edges, drawing.Faults }, Data);
        StringBuilder page = new(Read("page.html"));
        return page.Replace("{STYLE-HASH}", HashOf(style))
            .Replace("{SCRIPT-HASH}", HashOf(script))
            .Replace("{TITLE}", $"{wiring}: the wiring")
            .Replace("{WIRING}", wiring)
            .Replace("{STYLE}", style)
            .Replace("{SCRIPT}", script)
            .Replace("{DRAWING}", data)
            .ToString();
    }

    private static string HashOf(string text) => $"sha256-{Convert.ToBase64String(SHA256.HashData(Encoding.UTF8.GetBytes(text)))}";

    private static string Read(string name)
    {
        using Stream resource = typeof(PageText).Assembly.GetManifestResourceStream(name)!;
        using StreamReader reader = new(resource);
        return reader.ReadToEnd().ReplaceLineEndings("\n");
    }
}
