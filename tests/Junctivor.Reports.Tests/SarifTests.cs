using System.Text.Json;
using Junctivor.Checks;
using Junctivor.Reports.Faults;
using Mistakes;
using NJsonSchema;

namespace Junctivor.Reports.Tests;

public class SarifTests
{
    private static readonly IReadOnlyList<NamedReport> Reports =
        [.. Collection.All.Select(mistake => new NamedReport(mistake.Code, 3, mistake.Show())), new("accepting", 2, Accepting.Check())];

    private static Wiring Accepting => [Transient.Of<TimeStamp>(), Singleton.Of<Till>().Accept("JV303", "The stamp is set once a day.")];

    [Fact]
    public async Task A_report_with_every_fault_is_valid_by_the_published_schema()
    {
        await using Stream schema = typeof(SarifTests).Assembly.GetManifestResourceStream("sarif-2.1.0.json")!;
        JsonSchema published = await JsonSchema.FromJsonAsync(schema, TestContext.Current.CancellationToken);

        Assert.Empty(published.Validate(SarifReport.Write(Reports)));
        Assert.NotEmpty(published.Validate(SarifReport.Write(Reports).Replace("\"ruleId\"", "\"rule\"", StringComparison.Ordinal)));
    }

    [Fact]
    public void Each_fault_stands_on_its_line_relative_to_the_repository()
    {
        JsonElement result = Results(SarifReport.Write(Reports)).Single(result => result.GetProperty("ruleId").GetString() == "JV301");
        JsonElement place = result.GetProperty("locations")[0].GetProperty("physicalLocation");

        Assert.Equal("examples/Mistakes/Samples/Captive.cs", place.GetProperty("artifactLocation").GetProperty("uri").GetString());
        Assert.Equal("SRCROOT", place.GetProperty("artifactLocation").GetProperty("uriBaseId").GetString());
        Assert.Equal(12, place.GetProperty("region").GetProperty("startLine").GetInt32());
        Assert.Equal("error", result.GetProperty("level").GetString());
        Assert.Equal(
            "ledger: IBerthLedger scoped",
            result.GetProperty("relatedLocations")[0].GetProperty("message").GetProperty("text").GetString());
    }

    [Fact]
    public void Places_are_relative_to_a_root_that_is_given()
    {
        Wiring wiring = [Singleton.Of<Till>("/office/src/Tills/Till.cs", 3)];

        Assert.Contains(
            "\"Tills/Till.cs\"", SarifReport.Write([new NamedReport("office", 1, wiring.Check())], "/office/src"),
            StringComparison.Ordinal);
    }

    [Fact]
    public void Messages_carry_the_fix_and_lead_to_the_section()
    {
        string text =
            Results(SarifReport.Write(Reports))
                .First(result => result.GetProperty("ruleId").GetString() == "JV301")
                .GetProperty("message")
                .GetProperty("text").GetString()!;

        Assert.StartsWith("NightlyInvoicing (singleton) holds IBerthLedger (scoped).", text, StringComparison.Ordinal);
        Assert.Contains("use it like this: FreshScope<IBerthLedger> ledger; await ledger.RunAsync(", text, StringComparison.Ordinal);
        Assert.EndsWith("More: junctivor fault JV301", text, StringComparison.Ordinal);
    }

    [Fact]
    public void Every_kind_is_a_rule_with_its_section_as_help()
    {
        using JsonDocument document = JsonDocument.Parse(SarifReport.Write([]));
        JsonElement rules = document.RootElement.GetProperty("runs")[0].GetProperty("tool").GetProperty("driver").GetProperty("rules");

        Assert.Equal(FaultKind.All.Select(kind => kind.Code), rules.EnumerateArray().Select(rule => rule.GetProperty("id").GetString()));
        Assert.All(
            rules.EnumerateArray(),
            rule => Assert.Contains(
                "**How to fix it.**", rule.GetProperty("help").GetProperty("markdown").GetString(), StringComparison.Ordinal));
    }

    [Fact]
    public void What_is_accepted_is_suppressed_with_its_reason()
    {
        JsonElement accepted = Results(SarifReport.Write(Reports)).Single(result => result.TryGetProperty("suppressions", out _));

        Assert.Equal("JV303", accepted.GetProperty("ruleId").GetString());
        Assert.Equal("The stamp is set once a day.", accepted.GetProperty("suppressions")[0].GetProperty("justification").GetString());
    }

    [Fact]
    public void A_fault_keeps_its_fingerprint_when_its_line_moves()
    {
        Wiring early = [Singleton.Of<Till>("/office/Till.cs", 3)];
        Wiring late = [Singleton.Of<Till>("/office/Till.cs", 30)];

        Assert.Equal(Fingerprint(early), Fingerprint(late));
        Assert.NotEqual(Fingerprint(early), Fingerprint([Singleton.Of<ITill, Till>()], "other"));
    }

    [Fact]
    public void Json_has_the_same_facts_as_the_report()
    {
        using JsonDocument document = JsonDocument.Parse(CheckJson.Write(Reports));
        JsonElement wiring = document.RootElement.GetProperty("wirings")
            .EnumerateArray()
            .Single(wiring => wiring.GetProperty("name").GetString() == "JV301");
        JsonElement fault = wiring.GetProperty("faults")[0];

        Assert.Equal(1, document.RootElement.GetProperty("version").GetInt32());
        Assert.False(wiring.GetProperty("isSound").GetBoolean());
        Assert.Equal(
            ("JV301", "captive", "error"),
            (fault.GetProperty("code").GetString(), fault.GetProperty("name").GetString(), fault.GetProperty("severity").GetString()));
        Assert.Equal(
            "FreshScope<IBerthLedger> ledger\nawait ledger.RunAsync(fresh => fresh.InvoiceAsync(night));",
            fault.GetProperty("fixes")[0].GetProperty("code").GetString());
        Assert.Equal(2, fault.GetProperty("path").GetArrayLength());
    }

    private static string? Fingerprint(Wiring wiring, string name = "office") =>
        Results(SarifReport.Write([new NamedReport(name, 1, wiring.Check())]))[0]
            .GetProperty("partialFingerprints")
            .GetProperty("junctivorFault/v1").GetString();

    private static IReadOnlyList<JsonElement> Results(string json) =>
        [.. JsonDocument.Parse(json).RootElement.GetProperty("runs")[0].GetProperty("results").EnumerateArray()];

    private interface ITill;

    private sealed record Till(TimeStamp Stamp) : ITill;

    private sealed class TimeStamp
    {
        public DateTimeOffset At { get; } = DateTimeOffset.UnixEpoch;
    }
}
