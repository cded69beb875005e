using System.Globalization;
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
            string damaged = Damaged.Of(json, new Random(seed));
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
}
