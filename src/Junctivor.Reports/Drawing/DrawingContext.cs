using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Serialization;
using Junctivor.Reports.Recording;

namespace Junctivor.Reports.Drawing;

/// <summary>How drawings and recordings are written as JSON, also in programs that are compiled natively.</summary>
[JsonSerializable(typeof(PageData))]
[JsonSerializable(typeof(Timeline))]
internal sealed partial class DrawingContext : JsonSerializerContext
{
    /// <summary>For a file: in many lines. Type names keep their angle brackets.</summary>
    public static readonly DrawingContext ForFile = new(new JsonSerializerOptions(JsonSerializerDefaults.Web)
    {
        WriteIndented = true,
        NewLine = "\n",
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
        DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
        NumberHandling = JsonNumberHandling.Strict,
        RespectNullableAnnotations = true,
    });

    /// <summary>For a page: in one line, and without angle brackets.</summary>
    public static readonly DrawingContext ForPage = new(new JsonSerializerOptions(JsonSerializerDefaults.Web)
    {
        DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
    });
}
