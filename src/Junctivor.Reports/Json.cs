using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;

namespace Junctivor.Reports;

/// <summary>How everything here is written as JSON.</summary>
internal static class Json
{
    /// <summary>Without what is null, false, zero or empty. Type names keep their angle brackets: nothing of this is put into a page
    /// unescaped.</summary>
    public static readonly JsonSerializerOptions Short = Options(JsonIgnoreCondition.WhenWritingDefault, WithoutEmptyLists);

    /// <summary>Without what is null.</summary>
    public static readonly JsonSerializerOptions Full = Options(JsonIgnoreCondition.WhenWritingNull);

    private static JsonSerializerOptions Options(JsonIgnoreCondition ignored, params Action<JsonTypeInfo>[] modifiers) =>
        new(JsonSerializerDefaults.Web)
        {
            WriteIndented = true,
            NewLine = "\n",
            Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
            DefaultIgnoreCondition = ignored,
            NumberHandling = JsonNumberHandling.Strict,
            RespectNullableAnnotations = true,
            TypeInfoResolver =
            modifiers.Aggregate<Action<JsonTypeInfo>, IJsonTypeInfoResolver>(
                new DefaultJsonTypeInfoResolver(), JsonTypeInfoResolver.WithAddedModifier),
            Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase) },
        };

    /// <summary>A list that is not there is read as an empty one.</summary>
    private static void WithoutEmptyLists(JsonTypeInfo type)
    {
        foreach (JsonPropertyInfo property in type.Properties.Where(
            property => property.PropertyType.IsAssignableTo(typeof(IReadOnlyList<object>))))
        {
            property.ShouldSerialize = (_, value) => value is IReadOnlyList<object> { Count: > 0 };
        }
    }
}
