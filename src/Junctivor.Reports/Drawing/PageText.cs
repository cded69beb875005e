using System.Net;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using System.Text.RegularExpressions;
using Junctivor.Reports.Recording;

namespace Junctivor.Reports.Drawing;

/// <summary>
/// Writes a drawing as one page that needs nothing else. Its policy lets only its own script and style run, and nothing be loaded; the
/// drawing is data in it, in which no angle bracket is left.
/// </summary>
internal static partial class PageText
{
    /// <summary>What every such page has in it.</summary>
    public const string Sign = "<script id=\"drawing\" type=\"application/json\">";

    /// <param name="drawing">The drawing.</param>
    /// <param name="recorded">What was recorded of a container of this wiring; null for nothing.</param>
    public static string Write(DrawnGraph drawing, Recorded? recorded = null) =>
        Write(PageData.Of(drawing) with { Recorded = recorded });

    /// <summary>A page that is told what a running container does: by events from its own address and <c>/events</c>.</summary>
    public static string WriteLive(DrawnGraph drawing) => Write(PageData.Of(drawing) with { Live = true });

    /// <summary>A page of the differences between two wirings.</summary>
    public static string WriteCompared(DrawnGraph drawing, string before, string after) =>
        Write(PageData.Of(drawing) with { Compared = new ComparedNames(before, after) });

    private static string Write(PageData content)
    {
        string style = Read("page.css");
        string script = Read("page.bundle.js");
        string wiring = WebUtility.HtmlEncode(content.Wiring);
        string data = JsonSerializer.Serialize(content, DrawingContext.ForPage.PageData);

        // In one go, as a wiring may have any name.
        return Part().Replace(Read("page.html"), part => part.Value switch
        {
            "{STYLE-HASH}" => HashOf(style),
            "{SCRIPT-HASH}" => HashOf(script),
            "{FURTHER-POLICY}" => content.Live ? "; connect-src 'self'" : "",
            "{TITLE}" => $"{wiring}: the wiring",
            "{WIRING}" => wiring,
            "{STYLE}" => style,
            "{SCRIPT}" => script,
            "{DRAWING}" => data,
            var other => other,
        });
    }

    [GeneratedRegex(@"\{[A-Z-]+\}")]
    private static partial Regex Part();

    private static string HashOf(string text) => $"sha256-{Convert.ToBase64String(SHA256.HashData(Encoding.UTF8.GetBytes(text)))}";

    private static string Read(string name)
    {
        using Stream resource = typeof(PageText).Assembly.GetManifestResourceStream(name)!;
        using StreamReader reader = new(resource);
        return reader.ReadToEnd().ReplaceLineEndings("\n");
    }
}
