using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace Junctivor.Reports;

/// <summary>How everything here is written as JSON.</summary>
internal static class Json
{
    /// <summary>Without what is null, false, zero or empty. Type names keep their angle brackets: nothing of this is put into a page unescaped.</summary>
    public static readonly JsonSerializerOptions Short = Options(JsonIgnoreCondition.WhenWritingDefault);

    /// <summary>Without what is null.</summary>
    public static readonly JsonSerializerOptions Full = Options(JsonIgnoreCondition.WhenWritingNull);

    private static JsonSerializerOptions Options(JsonIgnoreCondition ignored) => new(JsonSerializerDefaults.Web)
    {
        WriteIndented = true,
        NewLine = "\n",
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
        DefaultIgnoreCondition = ignored,
        NumberHandling = JsonNumberHandling.Strict,
        RespectRequiredConstructorParameters = true,
        RespectNullableAnnotations = true,
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase) },
    };
}
