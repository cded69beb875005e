using System.Globalization;
using System.Text.Json.Nodes;
using Junctivor.Reports.Comparing;
using Junctivor.Reports.Graphs;

namespace Junctivor.Reports.Tests;

/// <summary>A saved graph may come from anywhere: it is read as it is, or refused.</summary>
public class DamagedGraphTests
{
    private const int Samples = 4000;

    private static readonly SavedGraph Graph = SavedGraph.Of("office", Office.Wiring);

    [Fact]
    public void Whatever_stands_in_its_place_a_damaged_part_is_refused_or_read()
    {
        string json = GraphJson.Write(Graph);
        int refused = 0;
        for (int seed = 0; seed < Samples; seed++)
        {
            string damaged = Damage(json, new Random(seed));
            try
            {
                Use(GraphJson.Read(damaged));
            }
            catch (SavedGraphException failure)
            {
                Assert.DoesNotContain('\n', failure.Message);
                refused++;
            }
            catch (Exception failure)
            {
                Assert.Fail(string.Create(CultureInfo.InvariantCulture, $"seed {seed}: {failure}\n{damaged}"));
            }
        }

        Assert.InRange(refused, 1, Samples - 1);
    }

    [Theory]
    [InlineData("\"registrations\": [null]")]
    [InlineData("\"services\": [null]")]
    [InlineData("\"services\": [{ \"service\": \"A\", \"by\": [null] }]")]
    [InlineData("\"names\": { \"A\": null }")]
    public void Null_arguments_are_refused(string part)
    {
        SavedGraphException refused = Assert.Throws<SavedGraphException>(
            () => GraphJson.Read($$"""{ "format": "junctivor-graph", "version": 1, "wiring": "x", {{part}} }"""));

        Assert.Contains("has null where a value is required", refused.Message, StringComparison.Ordinal);
    }

    private static void Use(SavedGraph graph)
    {
        Assert.NotNull(GraphJson.Write(graph));
        Assert.NotNull(ComparisonJson.Write("before", "after", GraphComparison.Between(Graph, graph)));
        Assert.NotNull(ComparisonJson.Write("before", "after", GraphComparison.Between(graph, Graph)));
        Assert.NotNull(WhyJson.Write([.. graph.Services.Select(service => (graph, service))]));
    }

    private static string Damage(string json, Random random)
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
