using System.Diagnostics;
using System.Text.RegularExpressions;
using Junctivor.Tests.Shared;
using Microsoft.Playwright;

namespace Junctivor.Cli.Tests;

/// <summary>The page of a container that works, and of one that was recorded, in a browser.</summary>
public sealed partial class LivePageTests : IAsyncLifetime
{
    private readonly CompiledFolder _folder = new();
    private readonly TestBrowser _browser = new();
    private Process? _demo;

    public ValueTask InitializeAsync() => ValueTask.CompletedTask;

    public async ValueTask DisposeAsync()
    {
        await _browser.DisposeAsync();
        _demo?.Kill();
        _demo?.Dispose();
        _folder.Dispose();
    }

    [Fact]
    public async Task The_demonstration_shows_what_each_request_creates_while_it_does()
    {
        IPage page = await OpenDemo();

        await page.Locator("#picture .created", new PageLocatorOptions { HasTextRegex = Created() }).First.WaitForAsync();
        await page.Locator("#view-scopes").ClickAsync();
        await Bar(page, "BookingDesk, DepartureDesk").WaitForAsync();
        await page.Locator("#pause").ClickAsync();
        Assert.StartsWith("paused: ", await page.Locator("#live").TextContentAsync(), StringComparison.Ordinal);
        await Bar(page, "BookingDesk, DepartureDesk").ClickAsync();

        string rows = string.Join('\n', await page.Locator("#scope tbody tr").AllInnerTextsAsync());
        Assert.Matches(Shared(), rows);
        Assert.Contains("Used here, created outside this scope", rows, StringComparison.Ordinal);
        Assert.Matches(Outside(), rows);
        await page.GetByText("Show in the wiring").First.ClickAsync();
        Assert.Matches(Numbered(), await page.Locator(".box:not(.dim) .numbers").First.TextContentAsync());
        Assert.True(await page.Locator(".box.dim").CountAsync() > 0);
    }

    [Fact]
    public async Task An_accessibility_checker_finds_nothing_on_the_live_page()
    {
        TestBrowser.SkipIfCheckerIsMissing();
        IPage page = await OpenDemo();
        await page.Locator("#view-scopes").ClickAsync();
        await Bar(page, "BookingDesk").WaitForAsync();
        await page.Locator("#pause").ClickAsync();

        string list = await TestBrowser.FoundByCheckerAsync(page);
        await Bar(page, "BookingDesk").ClickAsync();
        string opened = await TestBrowser.FoundByCheckerAsync(page);
        await page.EmulateMediaAsync(new PageEmulateMediaOptions { ColorScheme = ColorScheme.Dark });
        string dark = await TestBrowser.FoundByCheckerAsync(page);
        await page.Locator("#view-wiring").ClickAsync();
        string wiring = await TestBrowser.FoundByCheckerAsync(page);

        Assert.Equal(("", "", "", ""), (list, opened, dark, wiring));
    }

    [Fact]
    public async Task The_demonstration_ends_when_it_is_told_to_although_somebody_looks()
    {
        IPage page = await OpenDemo();
        await page.Locator("#live", new PageLocatorOptions { HasTextRegex = Live() }).WaitForAsync();

        using Process signal = Process.Start("kill", ["-TERM", $"{_demo!.Id}"]);
        await _demo.WaitForExitAsync(TestContext.Current.CancellationToken);

        Assert.Equal(0, _demo.ExitCode);
        await page.Locator("#live", new PageLocatorOptions { HasTextRegex = NotLive() }).WaitForAsync();
        _browser.Forget("ERR_CONNECTION_REFUSED", "ERR_INCOMPLETE_CHUNKED_ENCODING");
    }

    [Fact]
    public async Task A_recording_opens_at_its_scopes_and_each_by_keyboard()
    {
        IPage page = await _browser.OpenAsync(await DrawRecording(3));

        Assert.Equal("Since", (await page.Locator("#panel p").First.TextContentAsync())![..5]);
        Assert.Equal(3, await page.Locator(".bar").CountAsync());
        Assert.Equal(4, await page.Locator("#scope tbody tr").CountAsync());
        await page.Locator(".bar").First.FocusAsync();
        await page.Keyboard.PressAsync("ArrowRight");
        await page.Keyboard.PressAsync("Enter");
        Assert.Equal("Scope #2", await page.Locator("#panel h2").TextContentAsync());
        string address = page.Url;
        await page.GoBackAsync();
        Assert.Equal("A recording", await page.Locator("#panel h2").TextContentAsync());
        IPage linked = await page.Context.NewPageAsync();
        await linked.GotoAsync(address);
        Assert.Equal("Scope #2", await linked.Locator("#panel h2").TextContentAsync());
        IReadOnlyList<string> rows = await linked.Locator("#scope tbody tr").AllInnerTextsAsync();
        Assert.Contains(
            rows, row => row.StartsWith("Ledger #", StringComparison.Ordinal) && row.Contains("shared", StringComparison.Ordinal));
        Assert.Contains(rows, row => row.StartsWith("TideTable #1", StringComparison.Ordinal));
    }

    [Fact]
    public async Task A_hundred_scopes_with_many_instances_stay_usable()
    {
        IPage page = await _browser.OpenAsync(await DrawRecording(130));

        Assert.Equal(100, await page.Locator(".bar").CountAsync());
        await page.GetByText("Scope #130").First.ClickAsync();
        Assert.Equal("Scope #130", await page.Locator("#panel h2").TextContentAsync());
    }

    [Fact]
    public async Task Hostile_names_in_a_recording_stay_text()
    {
        IPage page = await _browser.OpenAsync(await DrawRecording(1, "</script><script>alert(1)</script>"));

        Assert.Equal(2, await page.Locator("script").CountAsync());
        Assert.Equal("</script><script>alert(1)</script>", await page.Locator("h1").TextContentAsync());
        await page.Locator(".bar").ClickAsync();
        Assert.Contains(
            "Lantern<Hostile>", string.Join(' ', await page.Locator("#scope th").AllTextContentsAsync()), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("""{ "format": "junctivor-timeline", "version": 7 }""",
        "is a timeline of version 7, and this command reads versions up to 1: update the command.")]
    [InlineData("""{ "format": "junctivor-timeline", "version": 1 }""",
        "is a damaged timeline: record it again with container.RecordScopes(FILE).")]
    [InlineData("""{ "format": "junctivor-timeline" }""",
        "is not a saved graph: it has no \"format\": \"junctivor-graph\". Save one with 'junctivor list --format json'.")]
    public async Task A_file_that_is_no_whole_timeline_is_refused(string content, string complaint)
    {
        string file = _folder.PathOf("night.json");
        await File.WriteAllTextAsync(file, content, TestContext.Current.CancellationToken);

        ProgramRun run = await ProgramRun.Of("src/Junctivor.Cli", "draw", file);

        Assert.Equal((2, "", $"junctivor: night.json {complaint}\n"), (run.Status, run.Output, run.Errors));
    }

    [Theory]
    [InlineData("--format", "dot")]
    [InlineData("--from", "Desk")]
    public async Task A_timeline_is_drawn_whole(params string[] part)
    {
        string file = Record(1);

        ProgramRun run = await ProgramRun.Of("src/Junctivor.Cli", ["draw", file, .. part]);

        Assert.Equal(
            (2, "junctivor: night.json is a timeline, which is drawn whole and as a page: leave out --wiring, --from, --around, --path and --format.\n"),
            (run.Status, run.Errors));
    }

    [Fact]
    public async Task A_port_that_is_taken_is_told_in_one_line()
    {
        using System.Net.Sockets.TcpListener taken = new(System.Net.IPAddress.Loopback, 0);
        taken.Start();
        int port = ((System.Net.IPEndPoint)taken.LocalEndpoint).Port;

        ProgramRun run = await ProgramRun.Of("src/Junctivor.Cli", "demo", "--page", "--port", $"{port}");

        Assert.Equal((2, ""), (run.Status, run.Output));
        Assert.Matches($"^junctivor: http://127.0.0.1:{port}/ cannot be opened: .*Give another port with --port.\n$", run.Errors);
    }

    private async Task<IPage> OpenDemo()
    {
        TestBrowser.SkipIfMissing();
        _demo = Process.Start(new ProcessStartInfo("dotnet", [ProgramRun.OutputOf("src/Junctivor.Cli"), "demo", "--page"])
        {
            RedirectStandardOutput = true,
        })!;
        string line = (await _demo.StandardOutput.ReadLineAsync(TestContext.Current.CancellationToken))!;
        return await _browser.OpenAsync(new Uri(line.Split(": ")[1]));
    }

    private static ILocator Bar(IPage page, string requested) =>
        page.Locator("#scope tbody tr", new PageLocatorOptions { HasText = requested }).Locator("button").First;

    private async Task<Uri> DrawRecording(int scopes, string name = "night")
    {
        TestBrowser.SkipIfMissing();
        string page = _folder.PathOf("night.html");
        ProgramRun run = await ProgramRun.Of("src/Junctivor.Cli", "draw", Record(scopes, name), "--output", page);
        Assert.Equal((0, "", ""), (run.Status, run.Output, run.Errors));
        return new Uri($"file://{page}");
    }

    private string Record(int scopes, string name = "night")
    {
        Wiring wiring =
        [
            Singleton.Of<TideTable>(),
            Scoped.Of<Ledger>(),
            Transient.Of<Planner>(),
            Scoped.Of<Desk>(),
            Scoped.Of<Lantern<Hostile>>(),
        ];
        string file = _folder.PathOf("night.json");
        using Container container = wiring.Build();
        using (container.RecordScopes(file, new RecordingOptions { Name = name }))
        {
            for (int number = 0; number < scopes; number++)
            {
                using Scope scope = container.StartScope();
                scope.Resolve<Desk>();
                scope.Resolve<IReadOnlyList<Desk>>();
                scope.Resolve<Lantern<Hostile>>();
            }
        }

        return file;
    }

    [GeneratedRegex("^[1-9][0-9]* created")]
    private static partial Regex Created();

    [GeneratedRegex("CountingLedger #[0-9]+\\s+scoped\\s.*shared .*BerthPlanner #[0-9]+, BookingDesk #[0-9]+", RegexOptions.Singleline)]
    private static partial Regex Shared();

    [GeneratedRegex("NoticeDesk #[0-9]+\\s+singleton\\s+(in the container|created before the recording)")]
    private static partial Regex Outside();

    [GeneratedRegex("^#[0-9]+")]
    private static partial Regex Numbered();

    [GeneratedRegex("^live: ")]
    private static partial Regex Live();

    [GeneratedRegex("^Disconnected")]
    private static partial Regex NotLive();
}

internal sealed record TideTable;

internal sealed record Ledger;

internal sealed record Planner(TideTable Tides, Ledger Ledger);

internal sealed record Desk(Planner Planner, Ledger Ledger);

internal sealed record Lantern<T>;

internal sealed record Hostile;
