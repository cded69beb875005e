using System.Text.Json;
using Junctivor.Tests.Shared;

namespace Junctivor.Cli.Tests;

/// <summary>list, why, compare and fault, on the harbour office.</summary>
public sealed class ListTests : IDisposable
{
    private static readonly string Harbour = ProgramRun.OutputOf("examples/Harbour");

    private readonly string _folder = Directory.CreateTempSubdirectory("junctivor-list-").FullName;

    private string Saved => Path.Combine(_folder, "office.json");

    public void Dispose() => Directory.Delete(_folder, recursive: true);

    [Fact]
    public async Task List_shows_service_maker_lifetime_and_place()
    {
        ProgramRun run = await Run("list", Harbour, "--wiring", "office");

        Assert.Equal((0, ""), (run.Status, run.Errors));
        Assert.StartsWith("office: 32 registrations", run.Output, StringComparison.Ordinal);
        Assert.Matches(@"\nITideTable +AlmanacTideTable +singleton +HarbourWiring\.cs:\d+", run.Output);
        Assert.Matches(@"\nIBerthLedger +the same SqliteBerthLedger", run.Output);
    }

    [Fact]
    public async Task List_shows_what_is_replaced()
    {
        ProgramRun run = await Run("list", Harbour, "--wiring", "rehearsal", "--matching", "clock");

        Assert.StartsWith("rehearsal: 2 of 36 registrations", run.Output, StringComparison.Ordinal);
        Assert.Matches(@"\nIClock +SystemClock +replaced ", run.Output);
        Assert.Matches(@"\nIClock +Rehearsal\.StoppedClock +singleton ", run.Output);
    }

    [Fact]
    public async Task List_can_be_narrowed_to_a_lifetime()
    {
        ProgramRun run = await Run("list", Harbour, "--wiring", "office", "--lifetime", "Transient");

        Assert.StartsWith("office: 3 of 32 registrations", run.Output, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Why_shows_what_is_needed_down_to_the_end_and_shared_parts_once()
    {
        ProgramRun run = await ProgramRun.AsWideAs(160, "src/Junctivor.Cli", "why", Harbour, "bookingdesk", "--wiring", "office");

        Assert.Equal((0, ""), (run.Status, run.Errors));
        Assert.Contains("new BookingDesk(visit, ledger, planner, fees, roster, log)", run.Output, StringComparison.Ordinal);
        Assert.Matches(@"├─ ledger: IBerthLedger +scoped +new SqliteBerthLedger\(file, visit\)  \(\d\)", run.Output);
        Assert.Matches(@"│  ├─ ledger: IBerthLedger +scoped +see \(\d\)", run.Output);
        Assert.Matches(@"└─ GET /berths/requests/\{id\} +entry point +by desk: BookingDesk +Web/HarbourEndpoints\.cs:\d+", run.Output);
    }

    [Fact]
    public async Task Why_says_of_what_nothing_depends_on_that_it_can_only_be_resolved_directly()
    {
        ProgramRun run = await Run("why", Harbour, "JobSchedule", "--wiring", "office");

        Assert.Contains("nothing in the wiring: it can only be resolved directly", run.Output, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Why_shows_what_depends_on_it_up_to_the_roots()
    {
        ProgramRun run = await Run("why", Harbour, "Harbour.Office.BerthPlanner", "--wiring", "office");

        Assert.Matches(@"├─ BookingDesk +scoped +by planner: BerthPlanner +HarbourWiring\.cs", run.Output);
    }

    [Fact]
    public async Task A_part_of_a_name_lists_the_matches_and_an_unknown_name_what_is_near()
    {
        ProgramRun several = await Run("why", Harbour, "Ledger", "--wiring", "office");
        ProgramRun none = await Run("why", Harbour, "BookingDisk", "--wiring", "office");

        Assert.Contains("office: 3 services match 'Ledger'", several.Output, StringComparison.Ordinal);
        Assert.Contains("  IBerthLedger ", several.Output, StringComparison.Ordinal);
        Assert.Equal((2, ""), (none.Status, none.Output));
        Assert.Contains("has no service 'BookingDisk' (similar: BookingDesk)", none.Errors, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Why_distinguishes_marks()
    {
        string here = typeof(ListTests).Assembly.Location;

        ProgramRun several = await Run("why", here, "int", "--wiring", "marks");
        ProgramRun one = await Run("why", here, "int@tons", "--wiring", "marks");

        Assert.Contains("  int@berths", several.Output, StringComparison.Ordinal);
        Assert.StartsWith("int marked \"tons\"", one.Output, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Why_can_be_read_by_programs()
    {
        ProgramRun run = await Run("why", Harbour, "BerthPlanner", "--wiring", "office", "--format", "json");
        using JsonDocument document = JsonDocument.Parse(run.Output);
        JsonElement service = document.RootElement.GetProperty("services")[0];

        Assert.Equal("Harbour.Office.BerthPlanner", service.GetProperty("service").GetString());
        Assert.Contains("Harbour.Office.Muster", Ids(service, "needs"));
        Assert.Equal(
            ["GET /", "GET /berths", "GET /berths/requests/{id}", "Harbour.Office.BookingDesk", "POST /berths/requests"],
            Ids(service, "neededBy").Order(StringComparer.Ordinal));

        static IEnumerable<string?> Ids(JsonElement service, string member) =>
            service.GetProperty(member).EnumerateArray().Select(registration => registration.GetProperty("id").GetString());
    }

    [Theory]
    [InlineData(80)]
    [InlineData(120)]
    public async Task Nothing_is_wider_than_the_terminal(int columns)
    {
        foreach (string[] call in new string[][]
        {
            ["list", Harbour], ["why", Harbour, "BookingDesk"], ["compare", $"{Harbour}@office", $"{Harbour}@rehearsal"], ["fault"],
        })
        {
            ProgramRun run = await ProgramRun.AsWideAs(columns, "src/Junctivor.Cli", call);

            Assert.All(run.Output.Split('\n'), line => Assert.InRange(line.TrimEnd().Length, 0, columns));
        }
    }

    [Fact]
    public async Task The_prose_of_a_fault_is_wrapped_at_the_width_of_the_terminal_and_its_code_is_not()
    {
        string section = (await ProgramRun.AsWideAs(70, "src/Junctivor.Cli", "fault", "JV305")).Output.ReplaceLineEndings("\n");
        string[] parts = section.Split("```");

        Assert.All(parts.Where((_, number) => number % 2 == 0).SelectMany(prose => prose.Split('\n')),
            line => Assert.InRange(line.Length, 0, 70));
        Assert.Contains("\n- A scope of the level is started where it cannot be.", parts[0], StringComparison.Ordinal);
        Assert.Contains("\n  ", parts[0], StringComparison.Ordinal);
        Assert.Contains("\nprivate sealed class ShiftReport(DutyRoster roster, Dredger dredger);\n", parts[1], StringComparison.Ordinal);
        Assert.EndsWith(".\n", section, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Two_roots_of_one_assembly_are_compared_and_exit_with_1()
    {
        ProgramRun run = await Run("compare", $"{Harbour}@office", $"{Harbour}@rehearsal");

        Assert.Equal((1, ""), (run.Status, run.Errors));
        Assert.StartsWith("office → rehearsal: 5 differences", run.Output, StringComparison.Ordinal);
        Assert.Matches(@"\n  IClock +SystemClock \(singleton\) → Rehearsal\.StoppedClock \(singleton\)", run.Output);
    }

    [Fact]
    public async Task A_saved_graph_is_compared_listed_and_explained_like_its_assembly()
    {
        ProgramRun saving = await Run("list", Harbour, "--wiring", "office", "--format", "json", "--output", Saved);
        ProgramRun same = await Run("compare", Saved, $"{Harbour}@office");
        ProgramRun other = await Run("compare", Saved, Harbour, "--wiring", "office", "--format", "json");
        ProgramRun listed = await Run("list", Saved);
        ProgramRun explained = await Run("why", Saved, "IClock");

        Assert.Equal((0, "", ""), (saving.Status, saving.Output, saving.Errors));
        Assert.Equal((0, 0), (same.Status, other.Status));
        Assert.Contains("no differences", same.Output, StringComparison.Ordinal);
        Assert.Contains("\"format\": \"junctivor-comparison\"", other.Output, StringComparison.Ordinal);
        Assert.StartsWith("office: 32 registrations", listed.Output, StringComparison.Ordinal);
        Assert.Contains("new SystemClock()", explained.Output, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Calls_that_mean_nothing_are_one_line_each_and_exit_with_2()
    {
        await File.WriteAllTextAsync(
            Saved, """{ "format": "junctivor-graph", "version": 7, "wiring": "office" }""", TestContext.Current.CancellationToken);

        await AssertRefused("has several wirings: write", "compare", Harbour, Harbour);
        await AssertRefused("has several wirings, and a graph is saved for one: add --wiring NAME", "list", Harbour, "--format", "json");
        await AssertRefused("omit --matching and --lifetime", "list", Harbour, "--wiring", "office", "--format", "json", "--matching", "x");
        await AssertRefused(
            "office.json is a saved graph of version 7, and this command reads versions up to 1: update the command.", "list", Saved);
        await AssertRefused("nowhere.json does not exist", "compare", "nowhere.json", Harbour);
        await AssertRefused("there is no fault code 'JV999': 'junctivor fault' lists them.", "fault", "JV999");
    }

    [Fact]
    public async Task Fault_prints_the_section_of_a_code_and_lists_all_without_one()
    {
        ProgramRun one = await Run("fault", "jv301");
        ProgramRun ofCompiler = await Run("fault", "jv901");
        ProgramRun all = await Run("fault");

        Assert.StartsWith("## JV301 captive", one.Output, StringComparison.Ordinal);
        Assert.Contains("**How to fix it.**", one.Output, StringComparison.Ordinal);
        Assert.StartsWith("## JV901 not-followed", ofCompiler.Output, StringComparison.Ordinal);
        Assert.Matches(@"JV301 +captive +error\r?\n +A long-lived service holds", all.Output);
    }

    private static Task<ProgramRun> Run(params string[] arguments) => ProgramRun.Of("src/Junctivor.Cli", arguments);

    private static async Task AssertRefused(string line, params string[] arguments)
    {
        ProgramRun run = await Run(arguments);

        Assert.Equal((2, ""), (run.Status, run.Output));
        Assert.Contains(line, Assert.Single(run.Errors.Trim().Split('\n')), StringComparison.Ordinal);
    }
}
