using Junctivor.Reports.Graphs;
using Junctivor.Tests.Shared;

namespace Junctivor.Reports.Tests;

public class SavedGraphTests
{
    private static readonly SavedGraph Graph = SavedGraph.Of("office", Office.Wiring);

    [Fact]
    public void What_is_written_is_read_back_the_same()
    {
        string json = GraphJson.Write(Graph);

        Assert.Equal(json, GraphJson.Write(GraphJson.Read(json)));
        Assert.DoesNotContain("\\u003C", json, StringComparison.Ordinal);
        Assert.DoesNotContain(Path.GetTempPath(), json, StringComparison.Ordinal);
    }

    [Fact]
    public void The_documented_example_is_read()
    {
        string page = File.ReadAllText(Path.Combine(ProgramRun.RepositoryRoot, "docs", "formats.md"));
        int start = page.IndexOf("```json\n", StringComparison.Ordinal) + "```json\n".Length;
        string example = page[start..page.IndexOf("\n```", start, StringComparison.Ordinal)];

        Assert.Equal(example, GraphJson.Write(GraphJson.Read(example)));
    }

    [Fact]
    public void Every_member_that_is_written_is_documented()
    {
        string page = File.ReadAllText(Path.Combine(ProgramRun.RepositoryRoot, "docs", "formats.md"));
        IEnumerable<string> members = new[] { typeof(SavedGraph), typeof(SavedRegistration), typeof(SavedNeed), typeof(SavedService) }
            .SelectMany(type => type.GetProperties())
            .Select(property => $"`{char.ToLowerInvariant(property.Name[0])}{property.Name[1..]}`");

        Assert.All(members, member => Assert.Contains(member, page, StringComparison.Ordinal));
    }

    [Fact]
    public void Registrations_say_what_was_written()
    {
        SavedRegistration tariff =
            Graph.Registrations.Single(registration => registration.Type.EndsWith("Office.Tariff", StringComparison.Ordinal));

        Assert.Equal(
            ("factory", "singleton", "Junctivor.Reports.Tests.Office.Visitor", "Office.cs"),
            (tariff.CreatedBy, tariff.Lifetime, tariff.Mark, tariff.File));
        Assert.Equal("Office.Tariff", Graph.NameOf(tariff.Type));
        Assert.Equal(["fee"], tariff.Needs.Select(need => need.Parameter));
        Assert.Equal("duty shift", Of("Roster").Lifetime);
        Assert.Equal(
            "alias",
            Graph.Registrations.Single(registration => registration.Services[0].EndsWith("IReader", StringComparison.Ordinal)).CreatedBy);
        Assert.True(Of("BookingDesk").ResolvedDirectly);
    }

    [Fact]
    public void Dependencies_show_their_binding()
    {
        SavedRegistration desk = Of("BookingDesk");

        Assert.Equal(["one", "one", "list", "lazy", "nothing"], desk.Needs.Select(need => need.Gets));
        Assert.Equal(2, desk.Needs[2].By.Count);
        Assert.Equal("constant", Of("NightlyInvoicing").Needs[1].Gets);
        Assert.Equal("fresh scope", Of("NightlyInvoicing").Needs[0].Gets);
    }

    [Fact]
    public void Who_requests_a_decorated_service_gets_the_decorator_around_it()
    {
        SavedRegistration ledger = ById(Of("BookingDesk").Needs[1].By[0]);

        Assert.True(ledger.Decorator);
        Assert.Equal("Office.PaperLedger", Graph.NameOf(ById(ledger.Around!).Type));
    }

    [Fact]
    public void Closings_follow_from_the_open_registration()
    {
        SavedRegistration closed = ById(Of("BerthPlanner").Needs[2].By[0]);

        Assert.Equal("Office.PaperArchive<Office.Caller>", Graph.NameOf(closed.Type));
        Assert.Equal("Office.PaperArchive<T>", Graph.NameOf(ById(closed.FollowsFrom!).Type));
    }

    [Fact]
    public void What_is_replaced_for_one_service_says_for_which()
    {
        SavedGraph graph = SavedGraph.Of("rehearsal", [.. Office.Wiring, Scoped.Of<Office.IBerthLedger, Office.PaperLedger>().Replacing()]);

        Assert.Equal(["Office.IBerthLedger"], graph.Registrations[2].Replaced.Select(graph.NameOf));
    }

    [Fact]
    public void A_wiring_with_faults_is_written_as_well()
    {
        SavedGraph graph =
            SavedGraph.Of(
                "faulty",
                [Transient.Of<Office.BerthPlanner>(), Singleton.Value(1), Singleton.Value(2),
                    Transient.From((int hour) => new Office.Roster())]);

        Assert.Equal("missing", graph.Registrations[0].Needs[0].Gets);
        Assert.Equal(("ambiguous", 2), (graph.Registrations[3].Needs[0].Gets, graph.Registrations[3].Needs[0].By.Count));
    }

    [Theory]
    [InlineData("[]", "is not a saved graph")]
    [InlineData("nothing", "is not a readable saved graph (line 1)")]
    [InlineData("""{ "format": "else" }""", "is not a saved graph: it has no")]
    [InlineData("""{ "format": "junctivor-graph" }""", "without a version")]
    [InlineData("""{ "format": "junctivor-graph", "version": 2, "wiring": "x" }""",
        "of version 2, and this command reads versions up to 1: update the command.")]
    [InlineData("""{ "format": "junctivor-graph", "version": 1 }""", "is not a readable saved graph")]
    [InlineData("""{ "format": "junctivor-graph", "version": 1, "wiring": "x", "services": [{ "service": "A", "by": ["B"] }] }""",
        "refers to 'B', which it does not contain")]
    [InlineData("""{ "format": "junctivor-graph", "version": 1, "wiring": "x", "registrations": [{ "id": "A", "createdBy": "class", "type": "A", "services": ["A"], "lifetime": "scoped", "around": "A" }] }""", "decorators in a cycle")]
    [InlineData("""{ "format": "junctivor-graph", "version": 1, "wiring": "x", "registrations": [{ "id": "A", "createdBy": "class", "type": "A", "lifetime": "scoped" }] }""", "twice, or without a service")]
    public void What_cannot_be_read_is_refused_with_a_line_that_says_why(string json, string why)
    {
        SavedGraphException refused = Assert.Throws<SavedGraphException>(() => GraphJson.Read(json));

        Assert.Contains(why, refused.Message, StringComparison.Ordinal);
        Assert.DoesNotContain('\n', refused.Message);
    }

    private static SavedRegistration Of(string name) =>
        Graph.Registrations.Single(
            registration => registration.FollowsFrom is null && Graph.NameOf(registration.Services[0]) == $"Office.{name}");

    private static SavedRegistration ById(string id) => Graph.Registrations.Single(registration => registration.Id == id);
}
