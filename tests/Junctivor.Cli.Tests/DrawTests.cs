using System.Diagnostics;
using System.Text.Json;
using System.Xml.Linq;
using Junctivor.Tests.Shared;

namespace Junctivor.Cli.Tests;

/// <summary>draw, in all its forms; what it writes is read by the programs that it is written for.</summary>
public sealed class DrawTests : IDisposable
{
    private const string Odd = """
        using Junctivor;

        public static class Office
        {
            [CheckedWiring]
            public static Wiring Odd =>
            [
                Singleton.Of<end>().Marked("x\"y\\z <script>alert(1)</script> | #; ]] `*_"),
                Singleton.Of<Archive<System.Collections.Generic.Dictionary<string, int[][,]>>>(),
                Scoped.Of<Übersicht>(),
            ];
        }

        public class end;
        public class Archive<T>;
        public class Übersicht
        {
            public Übersicht([Marked("x\"y\\z <script>alert(1)</script> | #; ]] `*_")] end one) { }
        }
        """;

    private static readonly string Harbour = ProgramRun.OutputOf("examples/Harbour");
    private static readonly string Mistakes = ProgramRun.OutputOf("examples/Mistakes");

    private readonly CompiledFolder _folder = new();

    public void Dispose() => _folder.Dispose();

    [Fact]
    public async Task Json_has_services_and_what_they_require()
    {
        JsonElement drawing = await Json(Harbour, "--wiring", "office");

        Assert.Equal("junctivor-drawing", drawing.GetProperty("format").GetString());
        JsonElement invoicing = Node(drawing, "NightlyInvoicing");
        Assert.Equal("singleton", invoicing.GetProperty("lifetime").GetString());
        Assert.Equal("Harbour.Night", invoicing.GetProperty("namespace").GetString());
        Assert.Contains("fresh scope to SqliteBerthLedger", EdgesFrom(drawing, "NightlyInvoicing"));
        Assert.Contains("one to ILogger", EdgesFrom(drawing, "NightlyInvoicing"));
        Assert.Empty(drawing.GetProperty("faults").EnumerateArray());
    }

    [Fact]
    public async Task Faults_stand_on_what_they_concern()
    {
        JsonElement drawing = await Json(Mistakes, "--wiring", "troubled harbour");

        IReadOnlyList<string> codes = [.. drawing.GetProperty("faults").EnumerateArray().Select(fault => $"{fault.GetProperty("code")}")];
        IReadOnlyList<string> faulty = [.. drawing.GetProperty("edges").EnumerateArray()
            .SelectMany(edge => edge.GetProperty("faults").EnumerateArray()
                .Select(number => $"{TitleOf(drawing, edge, "from")} to {TitleOf(drawing, edge, "to")}: {codes[number.GetInt32()]}"))];
        Assert.Equal(
            [
                "BerthPlanner to ITideTable: JV101",
                "BerthPlanner to PaperLedger: JV301",
                "NightlyInvoicing to BerthPlanner: JV301",
                "Pilot to PilotBoat: JV201",
                "PilotBoat to Pilot: JV201",
                "Till to TimeStamp: JV303",
            ],
            faulty.Order(StringComparer.Ordinal));
        Assert.Equal("missing", Node(drawing, "ITideTable").GetProperty("kind").GetString());
        Assert.Contains(".Also<ITideTable>()", $"{drawing.GetProperty("faults")[0].GetProperty("fix")}", StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("--from", "Visit", "Caller Muster Visit")]
    [InlineData("--around", "Visit", "BookingDesk Caller DepartureDesk GET /tides/{date} Muster POST /arrivals SqliteBerthLedger Visit")]
    [InlineData("--path", "BookingDesk LedgerFile", "BerthPlanner BookingDesk LedgerFile SqliteBerthLedger")]
    public async Task A_part_is_drawn_alone(string option, string services, string titles)
    {
        JsonElement drawing = await Json([Harbour, "--wiring", "office", option, .. services.Split(' ')]);

        Assert.Equal(
            titles,
            string.Join(" ", drawing.GetProperty("nodes").EnumerateArray().Select(node => $"{node.GetProperty("title")}").Order()));
        Assert.All(
            drawing.GetProperty("edges").EnumerateArray(),
            edge => Assert.True(TitleOf(drawing, edge, "from").Length > 0 && TitleOf(drawing, edge, "to").Length > 0));
    }

    [Fact]
    public async Task A_saved_graph_is_drawn_like_its_wiring()
    {
        string saved = _folder.PathOf("office.json");
        await Run("list", Harbour, "--wiring", "office", "--format", "json", "--output", saved);

        ProgramRun drawn = await Run("draw", saved, "--format", "mermaid");
        ProgramRun ofAssembly = await Run("draw", Harbour, "--wiring", "office", "--format", "mermaid");

        Assert.Equal((0, ofAssembly.Output), (drawn.Status, drawn.Output));
    }

    [Fact]
    public async Task Graphviz_lays_out_what_is_written()
    {
        SkipWithoutGraphviz();
        string odd = _folder.Compile("Odd", Odd, typeof(Wiring).Assembly.Location);

        XDocument harbour = XDocument.Parse((await Run("draw", Harbour, "--wiring", "office", "--format", "svg")).Output);
        XDocument hostile = XDocument.Parse((await Run("draw", odd, "--format", "svg")).Output);

        Assert.Contains("NightlyInvoicing", harbour.Root!.Value, StringComparison.Ordinal);
        Assert.DoesNotContain(hostile.Descendants(), element => element.Name.LocalName == "script");
        Assert.Contains("marked x\"y\\z <script>alert(1)</script> | #; ]] `*_", Spaced(hostile), StringComparison.Ordinal);
        Assert.Contains("Archive<Dictionary<string, int[][,]>>", Spaced(hostile), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Mermaid_reads_what_is_written()
    {
        string script = Path.Combine(ProgramRun.RepositoryRoot, "tests", "Tools", "mermaid", "check.mjs");
        Assert.SkipUnless(
            Directory.Exists(Path.Combine(Path.GetDirectoryName(script)!, "node_modules")),
            "Mermaid is not installed: run 'npm ci' in tests/Tools/mermaid.");
        string odd = _folder.Compile("Odd", Odd, typeof(Wiring).Assembly.Location);
        foreach (string[] drawn in (string[][])[[odd], [Harbour, "--wiring", "office"], [Mistakes, "--wiring", "troubled harbour"]])
        {
            ProgramRun run = await Run(["draw", .. drawn, "--format", "mermaid"]);

            ProgramRun read = await ProgramRun.OfProgram(new ProcessStartInfo("node", [script]), run.Output);

            Assert.Equal((0, "flowchart-v2\n", ""), (read.Status, read.Output, read.Errors));
            Assert.DoesNotContain("<script", run.Output, StringComparison.Ordinal);
        }
    }

    [Theory]
    [InlineData("Harbour.dll has several wirings, and one is drawn: add --wiring NAME, with one of office, rehearsal.")]
    [InlineData("--from, --around and --path each select the part to draw: use only one of them.", "--from", "Visit", "--around", "Visit")]
    [InlineData("has no service 'Vist' (similar: Visit): 'junctivor list", "--wiring", "office", "--from", "Vist")]
    [InlineData("Muster does not depend on Visit, not even indirectly: try", "--wiring", "office", "--path", "Muster", "Visit")]
    public async Task What_cannot_be_drawn_is_said_in_one_line(string complaint, params string[] arguments)
    {
        ProgramRun run = await Run(["draw", Harbour, .. arguments]);

        Assert.Equal((2, ""), (run.Status, run.Output));
        Assert.Contains(complaint, run.Errors, StringComparison.Ordinal);
        Assert.Single(run.Errors.TrimEnd().Split('\n'));
    }

    [Fact]
    public async Task Without_Graphviz_it_says_what_to_install()
    {
        ProgramRun run = await ProgramRun.With(
            "PATH", _folder.PathOf("."), "src/Junctivor.Cli", "draw", Harbour, "--wiring", "office", "--format", "svg");

        Assert.Equal((2, ""), (run.Status, run.Output));
        Assert.Contains("install Graphviz", run.Errors, StringComparison.Ordinal);
    }

    private static void SkipWithoutGraphviz() => Assert.SkipUnless(
        (Environment.GetEnvironmentVariable("PATH") ?? "").Split(Path.PathSeparator)
            .Any(folder => File.Exists(Path.Combine(folder, "dot"))),
        "Graphviz is not installed: its program 'dot' was not found.");

    /// <summary>The texts of a picture, with plain spaces.</summary>
    private static string Spaced(XDocument picture) => picture.Root!.Value.Replace('\u00a0', ' ');

    private static JsonElement Node(JsonElement drawing, string title) =>
        drawing.GetProperty("nodes").EnumerateArray().Single(node => node.GetProperty("title").GetString() == title);

    private static IEnumerable<string> EdgesFrom(JsonElement drawing, string title) => drawing.GetProperty("edges").EnumerateArray()
        .Where(edge => TitleOf(drawing, edge, "from") == title)
        .Select(edge => $"{edge.GetProperty("form")} to {TitleOf(drawing, edge, "to")}");

    private static string TitleOf(JsonElement drawing, JsonElement edge, string end) => drawing.GetProperty("nodes").EnumerateArray()
        .Single(node => node.GetProperty("key").GetString() == edge.GetProperty(end).GetString())
        .GetProperty("title").GetString()!;

    private static async Task<JsonElement> Json(params string[] arguments)
    {
        ProgramRun run = await Run(["draw", .. arguments, "--format", "json"]);
        Assert.Equal((0, ""), (run.Status, run.Errors));
        return JsonDocument.Parse(run.Output).RootElement;
    }

    private static Task<ProgramRun> Run(params string[] arguments) => ProgramRun.Of("src/Junctivor.Cli", arguments);
}
