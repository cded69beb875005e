using System.Diagnostics;
using System.Text.Json;
using Junctivor.Tests.Shared;

namespace Junctivor.Cli.Tests;

/// <summary>What the command does for somebody who sits at a terminal: pages, and reports that follow the builds.</summary>
public sealed class TerminalTests : IDisposable
{
    private const string Emulator = "/usr/bin/script";

    private static readonly string Cli = ProgramRun.OutputOf("src/Junctivor.Cli");
    private static readonly string Harbour = ProgramRun.OutputOf("examples/Harbour");

    private readonly CompiledFolder _folder = new();

    private static CancellationToken Token => TestContext.Current.CancellationToken;

    public void Dispose() => _folder.Dispose();

    [Theory]
    [InlineData("20", "paged 1", "list", "--wiring", "office")]
    [InlineData("20", "paged 1", "why", "BookingDesk", "--wiring", "office")]
    [InlineData("900", "paged 0", "list", "--wiring", "office")]
    [InlineData("2", "paged 0", "compare", "--wiring", "office")]
    public async Task What_is_longer_than_the_terminal_goes_to_the_pager(
        string lines, string expected, string command, params string[] further)
    {
        Assert.SkipUnless(File.Exists(Emulator), "'script' is not installed: apt-get install bsdutils.");
        string told = _folder.PathOf("told");
        string[] files = command == "compare" ? [Harbour, Harbour] : [Harbour];

        string shown = await OnTerminal(lines, $"cat > {told}", [command, .. files, .. further]);

        string paged = File.Exists(told) ? await File.ReadAllTextAsync(told, Token) : "";
        Assert.Equal(expected, $"paged {(paged.Length > 0 ? 1 : 0)}");
        Assert.Contains(command == "why" ? "BookingDesk" : "office", paged.Length > 0 ? paged : shown, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_saved_graph_is_paged_too_and_an_empty_pager_is_none()
    {
        Assert.SkipUnless(File.Exists(Emulator), "'script' is not installed: apt-get install bsdutils.");
        string saved = _folder.PathOf("office.json");
        await ProgramRun.Of("src/Junctivor.Cli", "list", Harbour, "--wiring", "office", "--format", "json", "--output", saved);

        string paged = await OnTerminal("10", "head -1 | tr a-z A-Z", ["list", saved]);
        string whole = await OnTerminal("10", "", ["list", saved]);

        Assert.Contains("OFFICE", paged, StringComparison.Ordinal);
        Assert.DoesNotContain("BookingDesk", paged, StringComparison.Ordinal);
        Assert.Contains("BookingDesk", whole, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Watch_checks_each_build_and_ends_with_the_status_of_the_last()
    {
        string assembly = Compile("Singleton.Of<Desk>()");
        using Process watch = Start("check", assembly, "--watch");

        string first = await ReportOf(watch);
        Compile("Singleton.Of<Desk>(), Scoped.Of<Ledger>()");
        string second = await ReportOf(watch);
        Compile("Singleton.Of<Desk>(), Singleton.Of<Ledger>()");
        string third = await ReportOf(watch);
        using Process signal = Process.Start("kill", ["-TERM", $"{watch.Id}"]);
        await watch.WaitForExitAsync(Token);

        Assert.Contains("JV101 missing: Desk", first, StringComparison.Ordinal);
        Assert.Contains("JV301 captive: Desk", second, StringComparison.Ordinal);
        Assert.Contains("sound", third, StringComparison.Ordinal);
        Assert.Equal(0, watch.ExitCode);
    }

    [Fact]
    public async Task Watch_keeps_the_last_report_while_the_assembly_cannot_be_read()
    {
        string assembly = Compile("Singleton.Of<Desk>()");
        using Process watch = Start("check", assembly, "--watch");

        await ReportOf(watch);
        await File.WriteAllTextAsync(assembly, "half written", Token);
        string kept = await ReportOf(watch);
        using Process signal = Process.Start("kill", ["-TERM", $"{watch.Id}"]);
        await watch.WaitForExitAsync(Token);

        Assert.Contains("JV101 missing: Desk", kept, StringComparison.Ordinal);
        Assert.Contains("Office.dll is not a .NET assembly", kept, StringComparison.Ordinal);
        Assert.Equal(1, watch.ExitCode);
    }

    [Theory]
    [InlineData("junctivor: --watch shows each report on the screen: leave out --format and --output.\n", "--format", "json")]
    [InlineData("junctivor: --watch shows each report on the screen: leave out --format and --output.\n", "--output", "report.txt")]
    public async Task Watch_is_for_the_screen(string complaint, params string[] further)
    {
        ProgramRun run = await ProgramRun.Of("src/Junctivor.Cli", ["check", Harbour, "--watch", .. further]);

        Assert.Equal((2, "", complaint), (run.Status, run.Output, run.Errors));
    }

    [Fact]
    public async Task Watch_does_not_wait_for_what_was_never_there()
    {
        ProgramRun run = await ProgramRun.Of("src/Junctivor.Cli", "check", _folder.PathOf("Nowhere.dll"), "--watch");

        Assert.Equal((2, ""), (run.Status, run.Output));
        Assert.Contains("Nowhere.dll", run.Errors, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_module_is_the_member_that_registrations_are_written_in()
    {
        await File.WriteAllTextAsync(_folder.PathOf("Office.cs"), """
            using System;
            using Junctivor;

            public static class Office
            {
                private static readonly Wiring Kept = [Singleton.Of<Ledger>()];

                [CheckedWiring]
                public static Wiring Whole => [.. Kept, .. Desks(), .. Nested.Lamps, Singleton.From((Ledger ledger) => new Bell(ledger))];

                private static Wiring Desks()
                {
                    Func<Wiring> later = () => [Scoped.Of<Desk>()];
                    return later();
                }

                private static class Nested
                {
                    public static Wiring Lamps => [Singleton.Of<Lamp>()];
                }
            }

            public record Ledger;
            public record Desk(Ledger Ledger);
            public record Bell(Ledger Ledger);
            public record Lamp;
            """, Token);
        string assembly = _folder.CompileFile("Office.cs", typeof(Wiring).Assembly.Location);

        ProgramRun run = await ProgramRun.Of("src/Junctivor.Cli", "list", assembly, "--format", "json");

        using JsonDocument graph = JsonDocument.Parse(run.Output);
        Assert.Equal(
            ["Ledger in Office", "Desk in Office.Desks", "Lamp in Nested.Lamps", "Bell in Office.Whole"],
            graph.RootElement.GetProperty("registrations").EnumerateArray()
                .Select(each => $"{each.GetProperty("type").GetString()} in {each.GetProperty("module").GetString()}"));
    }

    private string Compile(string registrations)
    {
        // As a build does it: the file comes into its place whole.
        string built = _folder.Compile("Built", $$"""
            using Junctivor;

            public static class Office
            {
                [CheckedWiring]
                public static Wiring Bookings => [{{registrations}}];
            }

            public record Desk(Ledger Ledger);

            public record Ledger;
            """, typeof(Wiring).Assembly.Location);
        string place = Path.Combine(Directory.CreateDirectory(_folder.PathOf("bin")).FullName, "Office.dll");
        File.Move(built, place, overwrite: true);
        return place;
    }

    private static Process Start(params string[] arguments) =>
        Process.Start(new ProcessStartInfo("dotnet", [Cli, .. arguments]) { RedirectStandardOutput = true })!;

    /// <summary>All lines up to the one that says that the next build is waited for.</summary>
    private static async Task<string> ReportOf(Process watch)
    {
        List<string> lines = [];
        while (lines.Count == 0 || !lines[^1].Contains("Waiting until", StringComparison.Ordinal))
        {
            lines.Add((await watch.StandardOutput.ReadLineAsync(Token))!);
        }

        return string.Join('\n', lines);
    }

    private static async Task<string> OnTerminal(string lines, string pager, string[] arguments)
    {
        ProcessStartInfo start = new(Emulator, ["-qec", $"dotnet {Cli} {string.Join(' ', arguments)}", "/dev/null"])
        {
            Environment = { ["LINES"] = lines, ["PAGER"] = pager, ["TERM"] = "xterm" },
        };
        return (await ProgramRun.OfProgram(start, "")).Output;
    }
}
