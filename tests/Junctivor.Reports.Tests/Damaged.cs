using System.Text.Json.Nodes;

namespace Junctivor.Reports.Tests;

/// <summary>Damages a file: parts of it are missing, are something else, or it ends too early.</summary>
internal static class Damaged
{
    public static string Of(string json, Random random)
    {
        JsonNode root = JsonNode.Parse(json)!;
        for (int times = random.Next(1, 4); times > 0; times--)
        {
            List<JsonNode> all = [.. Below(root)];
            JsonNode damaged = all[random.Next(all.Count)];
            if (damaged.Parent is JsonArray list)
            {
                list[damaged.GetElementIndex()] = Other(random);
            }
            else if (random.Next(3) == 0)
            {
                damaged.Parent!.AsObject().Remove(damaged.GetPropertyName());
            }
            else
            {
                damaged.Parent!.AsObject()[damaged.GetPropertyName()] = Other(random);
            }
        }

        string text = root.ToJsonString();
        return random.Next(20) == 0 ? text[..random.Next(text.Length)] : text;
    }

    private static IEnumerable<JsonNode> Below(JsonNode node) => (node switch
    {
        JsonObject parts => parts.Select(part => part.Value),
        JsonArray list => list,
        _ => [],
    }).OfType<JsonNode>().SelectMany(part => Below(part).Prepend(part));

    private static JsonNode? Other(Random random) => random.Next(8) switch
    {
        0 => null,
        1 => random.Next(-2, 3),
        2 => "scoped",
        3 => "",
        4 => new JsonArray(),
        5 => new JsonObject(),
        6 => new JsonArray(null, "x"),
        _ => 1e300,
    };
}
