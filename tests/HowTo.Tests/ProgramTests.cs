using Junctivor.Tests.Shared;

namespace HowTo.Tests;

public class ProgramTests
{
    private const int LongestProgram = 60;

    [Theory]
    [InlineData("alias", "The reader is the ledger:         True", "The second registration is it:    False")]
    [InlineData("arguments", "Heron: 3 nights, 37.50", "JV106 argument-mismatch")]
    [InlineData("background", "the reader starts\nlow tide at 1\nlow tide at 2\nexit code 0",
        "The background work of TideReader failed: TimeoutException: the gauge does not answer", "exit code 1")]
    [InlineData("branch", "The regatta takes 30 a night.", "They share the quays: True")]
    [InlineData("captive", "JV301 captive: NightlyInvoicing (singleton) holds BerthLedger (scoped), through InvoiceWriter")]
    [InlineData("decorator", "HERON IS ENTERED", "somebody entered Heron")]
    [InlineData("factory", "with a crane of 12 tons", "JV101 missing: LedgerFile requires HarbourSettings")]
    [InlineData("frozen-transient", "stamp 1, then stamp 1", "stamp 2, then stamp 3", "JV303")]
    [InlineData("generics", "Vessels: counted, a SQLite table of Vessel", "Tides:   counted, the printed almanac")]
    [InlineData("incoming", "Welcome to Port Wren, Tove.", "JV105")]
    [InlineData("fresh-scope", "Tuesday: invoices from ledger 2", "ledger 2 is closed")]
    [InlineData("job", "InvoiceRun failed: the printer is out of paper", "invoices from ledger 3",
        "ledger 3 is closed\nthe schedule has ended")]
    [InlineData("observe", "constructed Planner", "disposed Ledger", "ended scoped")]
    [InlineData("record", "Three jobs are in the file: True")]
    [InlineData("session", "Mira's basket: rope, tar", "Tove's basket is put away", "Mira signs out")]
    [InlineData("web", "the lamp is on\nAhoy Mira, this is ledger 1\nAhoy Tove, this is ledger 2\nthe lamp is off")]
    [InlineData("late-value", "The office is open at http://127.0.0.1:5080.", "JV402")]
    [InlineData("lazy-cycle", "Pilot → HastyBoat → Pilot", "The pilot's boat is this one: True")]
    [InlineData("levels", "{ Name = early } has served 2", "{ Name = late } has served 1", "JV305")]
    [InlineData("list", "FlagMast, Blackboard", "fog: Foghorn, storm: Gun")]
    [InlineData("marks", "12 m in the north, 7 m in the south", "JV202", "[Marked(\"north\")] int")]
    [InlineData("measure",
        "3 requests, and nobody listened.\n2 requests, listened to:\n  junctivor.constructions: 4\n  junctivor.scopes.entered: 2")]
    [InlineData("message-scope", "Gull }: a berth is entered in ledger 3")]
    [InlineData("modules", "In earnest: SystemClock, SqliteLedger", "Rehearsal: StoppedClock, MemoryLedger")]
    [InlineData("optional", "Without: 2 blasts", "With:    5 blasts, when the glass falls")]
    [InlineData("plugins", "flag mast and loudhailer; 1 plug-in brings endpoints", "Broken.dll is not a .NET assembly")]
    [InlineData("properties", "signed by the harbour master", "The window has its tariffs: True")]
    [InlineData("invoke", "7 berths are free.", "the called method was resolved from the container")]
    [InlineData("warm-up", "JV401", "fetched from the archive", "work: 12 bookings", "the board is closed")]
    [InlineData("self-registered", "singleton FlagMast for FlagMast, ISignal", "one instance: True")]
    public async Task Each_program_shows_what_it_is_for(string name, params string[] lines)
    {
        ProgramRun run = await ProgramRun.Of("examples/HowTo", name);

        Assert.Equal((0, ""), (run.Status, run.Errors));
        Assert.All(lines, line => Assert.Contains(line, run.Output, StringComparison.Ordinal));
    }

    [Fact]
    public async Task Every_program_is_listed_and_tried_here()
    {
        ProgramRun help = await ProgramRun.Of("examples/HowTo", "--help");
        IEnumerable<string> tried = typeof(ProgramTests).GetMethod(nameof(Each_program_shows_what_it_is_for))!
            .GetCustomAttributes(typeof(InlineDataAttribute), inherit: false)
            .Cast<InlineDataAttribute>()
            .Select(data => (string)data.Data[0]!);

        string[][] listed = [.. help.Output[help.Output.IndexOf("Commands:", StringComparison.Ordinal)..]
            .Split('\n')
            .Skip(1)
            .Where(line => line.Trim().Length > 0)
            .Select(line => line.Trim().Split("  ", 2, StringSplitOptions.TrimEntries))];
        string page = await File.ReadAllTextAsync(
            Path.Combine(ProgramRun.RepositoryRoot, "docs", "examples.md"), TestContext.Current.CancellationToken);

        Assert.Equal(listed.Select(program => program[0]).Order(), tried.Order());
        Assert.All(listed, program => Assert.Contains($"| `{program[0]}` | {program[1]} |", page, StringComparison.Ordinal));
    }

    [Fact]
    public void No_program_is_longer_than_a_page()
    {
        string folder = Path.Combine(ProgramRun.RepositoryRoot, "examples", "HowTo");

        Assert.All(Directory.EnumerateFiles(folder, "*.cs"), file => Assert.InRange(File.ReadAllLines(file).Length, 1, LongestProgram));
    }
}
