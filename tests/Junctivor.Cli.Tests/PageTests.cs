using System.Diagnostics;
using System.Text.Json;
using Junctivor.Tests.Shared;
using Microsoft.Playwright;

namespace Junctivor.Cli.Tests;

/// <summary>The page that draw writes, in a browser: each of its parts, by mouse and by keyboard.</summary>
public sealed class PageTests : IAsyncLifetime
{
    private const int OfFile = 50;

    private static readonly string Mistakes = ProgramRun.OutputOf("examples/Mistakes");

    private readonly CompiledFolder _folder = new();
    private readonly TestBrowser _browser = new();

    public ValueTask InitializeAsync() => ValueTask.CompletedTask;

    public async ValueTask DisposeAsync()
    {
        _folder.Dispose();
        await _browser.DisposeAsync();
    }

    [Fact]
    public async Task A_wiring_with_faults_shows_them_where_they_are()
    {
        IPage page = await Open(Mistakes, "--wiring", "troubled harbour");

        Assert.Equal("11 services", await page.Locator("#count").TextContentAsync());
        Assert.Equal("4 findings", await page.Locator("#panel h2").TextContentAsync());
        Assert.Equal(5, await page.Locator(".arrow.serious").CountAsync());
        Assert.Equal(
            ["JV101", "JV201", "JV201", "JV301", "JV301"], (await page.Locator(".arrow.serious text").AllTextContentsAsync()).Order());
        Assert.Contains(
            "has part in JV101, JV301", await Box(page, "BerthPlanner").GetAttributeAsync("aria-label"), StringComparison.Ordinal);
        Assert.Contains(".Also<ITideTable>()", await page.Locator("#panel").TextContentAsync(), StringComparison.Ordinal);
        await page.Locator("#table summary").First.ClickAsync();
        Assert.Equal(11, await page.Locator("#table tbody tr").CountAsync());
        Assert.Contains("BerthPlanner", await page.Locator("#table tbody").TextContentAsync(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_click_shows_a_service_and_back_leaves_it()
    {
        IPage page = await Open(Mistakes, "--wiring", "troubled harbour");

        await Box(page, "BerthPlanner").ClickAsync();
        string panel = (await page.Locator("#panel").TextContentAsync())!;
        string address = page.Url;
        int dim = await page.Locator(".box.dim").CountAsync();
        await page.Locator("#to").SelectOptionAsync(new SelectOptionValue { Label = "Caller" });
        string? way = await page.Locator("#way").TextContentAsync();
        await page.GoBackAsync();
        await page.GoBackAsync();

        Assert.StartsWith("BerthPlannertransient, created by a classTroubledHarbour.cs:15", panel, StringComparison.Ordinal);
        Assert.Contains("Requiresledger: PaperLedgertides: ITideTable (missing)", panel, StringComparison.Ordinal);
        Assert.Contains("Required byBookingDeskNightlyInvoicing", panel, StringComparison.Ordinal);
        Assert.Equal(6, dim);
        Assert.Equal("3 services are on paths to Caller.", way);
        Assert.Equal("4 findings", await page.Locator("#panel h2").TextContentAsync());
        IPage linked = await page.Context.NewPageAsync();
        await linked.GotoAsync(address);
        Assert.Equal("BerthPlanner", await linked.Locator("#panel h2").TextContentAsync());
    }

    [Fact]
    public async Task The_keyboard_alone_finds_selects_and_leaves()
    {
        IPage page = await Open(Mistakes, "--wiring", "troubled harbour");

        await page.Keyboard.PressAsync("/");
        await page.Keyboard.TypeAsync("pilotb");
        string? matches = await page.Locator("#matches").TextContentAsync();
        await page.Keyboard.PressAsync("Enter");
        string? selected = await page.Locator("#panel h2").TextContentAsync();
        await page.Keyboard.PressAsync("ArrowUp");
        await page.Keyboard.PressAsync("Enter");
        string? above = await page.Locator("#panel h2").TextContentAsync();
        await page.Keyboard.PressAsync("Escape");

        Assert.Equal(("1 found", "PilotBoat", "Pilot"), (matches, selected, above));
        Assert.Equal("4 findings", await page.Locator("#panel h2").TextContentAsync());
    }

    [Fact]
    public async Task Lifetimes_can_be_left_out_and_modules_closed()
    {
        IPage page = await Open(ProgramRun.OutputOf("examples/Harbour"), "--wiring", "office");
        int all = await page.Locator(".box").CountAsync();
        int entryPoints = await page.Locator(".box.entry").CountAsync();

        await page.Locator("#lifetimes input[value=entry]").UncheckAsync();
        await page.Locator("#lifetimes input[value=singleton]").UncheckAsync();
        int withoutSingletons = await page.Locator(".box").CountAsync();
        int singletons = await page.Locator(".box.singleton").CountAsync();
        await page.Locator("#lifetimes input[value=singleton]").CheckAsync();
        await page.GetByText("Collapse all").ClickAsync();
        int modules = await page.Locator(".box.group").CountAsync();
        await page.Locator(".box.group").First.ClickAsync();

        Assert.Equal((32, 9), (all - entryPoints, entryPoints));
        Assert.Equal((11, 0), (withoutSingletons, singletons));
        Assert.Equal(5, modules);
        Assert.Equal(4, await page.Locator(".box.group").CountAsync());
    }

    [Fact]
    public async Task One_module_folder_or_namespace_can_be_shown_alone()
    {
        IPage page = await Open(ProgramRun.OutputOf("examples/Harbour"), "--wiring", "office");

        await page.Locator("#place").SelectOptionAsync("folder Night");
        IReadOnlyList<string> ofFolder = await page.Locator(".box .title").AllTextContentsAsync();
        await page.Locator("#place").SelectOptionAsync("module HarbourWiring.Storage");
        IReadOnlyList<string> ofModule = await page.Locator(".box .title").AllTextContentsAsync();
        await page.Locator("#place").SelectOptionAsync("namespace Harbour.Arrivals");
        IReadOnlyList<string> ofNamespace = await page.Locator(".box .title").AllTextContentsAsync();
        await page.GoBackAsync();
        await page.GoBackAsync();
        IReadOnlyList<string> back = await page.Locator(".box .title").AllTextContentsAsync();

        Assert.Equal(["GET /invoices", "IContributesEndpoints", "JobSchedule", "NightlyInvoicing"], ofFolder.Order());
        Assert.Equal(["LedgerFile", "SqliteBerthLedger"], ofModule.Order());
        Assert.Contains("ArrivalQueue", ofNamespace);
        Assert.DoesNotContain("NightlyInvoicing", ofNamespace);
        Assert.Equal(ofFolder.Order(), back.Order());
    }

    [Theory]
    [InlineData(ColorScheme.Light)]
    [InlineData(ColorScheme.Dark)]
    public async Task An_accessibility_checker_finds_nothing(ColorScheme scheme)
    {
        TestBrowser.SkipIfCheckerIsMissing();
        IPage page = await Open(Mistakes, "--wiring", "troubled harbour");
        await page.EmulateMediaAsync(new PageEmulateMediaOptions { ColorScheme = scheme });
        await page.Locator("#table summary").First.ClickAsync();

        string whole = await TestBrowser.FoundByCheckerAsync(page);
        await Box(page, "Pilot").ClickAsync();
        string selected = await TestBrowser.FoundByCheckerAsync(page);

        Assert.Equal(("", ""), (whole, selected));
    }

    [Fact]
    public async Task Two_wirings_are_drawn_in_one()
    {
        string harbour = ProgramRun.OutputOf("examples/Harbour");
        IPage page = await OpenCompared($"{harbour}@office", $"{harbour}@rehearsal");

        Assert.Equal("4 of 34 services changed", await page.Locator("#count").TextContentAsync());
        Assert.Equal("4 services changed", await page.Locator("#panel h2").TextContentAsync());
        Assert.Equal("Rehearsal.LedgerPages + added singleton", await Box(page, "Rehearsal.LedgerPages").GetAttributeAsync("aria-label"));
        Assert.Contains("≠ was SystemClock (singleton)", await Box(page, "IClock").TextContentAsync(), StringComparison.Ordinal);
        Assert.Equal((1, 3), (await page.Locator(".box.added").CountAsync(), await page.Locator(".box.changed").CountAsync()));
        Assert.True(await page.Locator(".arrow.added").CountAsync() > 0);
        Assert.True(await page.Locator(".arrow.removed").CountAsync() > 0);
        await page.Locator("#place").SelectOptionAsync("changes");
        int near = await page.Locator(".box").CountAsync();
        Assert.InRange(near, 5, 33);
        await page.Locator(".changes button").First.ClickAsync();
        Assert.Contains(
            "Replaced, was SystemClock (singleton); is Rehearsal.StoppedClock (singleton)",
            await page.Locator("#panel").TextContentAsync(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_was_removed_and_what_lives_longer_is_drawn_too()
    {
        string library = typeof(Wiring).Assembly.Location;
        string before = _folder.Compile(
            "Before", Bookings("Scoped.Of<Desk>(), Transient.Of<Ledger>(), Transient.Of<Bell>()"), library);
        string after = _folder.Compile("After", Bookings("Singleton.Of<Desk>(), Transient.Of<Ledger>()"), library);

        IPage page = await OpenCompared(before, after);

        Assert.Equal("Bell − removed transient", await Box(page, "Bell").GetAttributeAsync("aria-label"));
        Assert.Equal("Desk ≠ was scoped singleton", await Box(page, "Desk").GetAttributeAsync("aria-label"));
        Assert.Equal("Ledger transient", await Box(page, "Ledger").GetAttributeAsync("aria-label"));
    }

    private static string Bookings(string registrations) => $$"""
        using Junctivor;

        public static class Office
        {
            [CheckedWiring]
            public static Wiring Bookings => [{{registrations}}];
        }

        public class Desk(Ledger ledger)
        {
            public Ledger Ledger => ledger;
        }

        public class Ledger;

        public class Bell;
        """;

    [Theory]
    [InlineData(1000)]
    [InlineData(10_000)]
    public async Task Many_services_start_with_their_files_closed(int count)
    {
        IPage page = await Open(Large(count));

        Assert.Equal(count / OfFile, await page.Locator(".box").CountAsync());
        await page.Locator("#search").FillAsync("Service517");
        await page.Locator("#search").PressAsync("Enter");
        Assert.Equal("Service517", await page.Locator("#panel h2").TextContentAsync());
        Assert.Equal((count / OfFile) - 1, await page.Locator(".box.group").CountAsync());
        Assert.Equal(OfFile, await page.Locator(".box:not(.group)").CountAsync());
    }

    [Fact]
    public async Task Hostile_names_stay_text()
    {
        string odd = _folder.Compile("Odd", """
            using Junctivor;

            public static class Office
            {
                [CheckedWiring]
                public static Wiring Odd => [Singleton.Of<Desk>().Marked("</script><script>alert(1)</script><img src=x onerror=alert(2)>")];
            }

            public class Desk;
            """, typeof(Wiring).Assembly.Location);

        IPage page = await Open(odd);

        Assert.Equal(2, await page.Locator("script").CountAsync());
        Assert.Equal(0, await page.Locator("img").CountAsync());
        Assert.Contains("</script><script>alert(1)", await Box(page, "Desk").TextContentAsync(), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(ColorScheme.Light, "rgb(251, 251, 249)")]
    [InlineData(ColorScheme.Dark, "rgb(23, 27, 30)")]
    public async Task It_is_light_or_dark_as_the_reader_likes(ColorScheme scheme, string background)
    {
        IPage page = await Open(Mistakes, "--wiring", "troubled harbour");

        await page.EmulateMediaAsync(new PageEmulateMediaOptions { ColorScheme = scheme });

        Assert.Equal(background, await page.EvaluateAsync<string>("getComputedStyle(document.body).backgroundColor"));
    }

    [Fact]
    public async Task Without_a_file_it_is_written_beside_and_nothing_else_is_overwritten()
    {
        string saved = Large(3);
        string page = _folder.PathOf("large.html");
        ProgramRun first = await InFolder("draw", saved);
        ProgramRun again = await InFolder("draw", saved);
        string written = await File.ReadAllTextAsync(page, TestContext.Current.CancellationToken);
        await File.WriteAllTextAsync(page, "mine", TestContext.Current.CancellationToken);
        ProgramRun refused = await InFolder("draw", saved);

        Assert.Equal((0, "large.html is written: open it in a browser.\n", ""), (first.Status, first.Output, first.Errors));
        Assert.Equal(first, again);
        Assert.StartsWith("<!doctype html>", written, StringComparison.Ordinal);
        Assert.Equal(
            (2, "junctivor: large.html is there already, and is no drawing: name another file with --output.\n"),
            (refused.Status, refused.Errors));
        Assert.Equal("mine", await File.ReadAllTextAsync(page, TestContext.Current.CancellationToken));
    }

    private Task<ProgramRun> InFolder(params string[] arguments) => ProgramRun.OfProgram(
        new ProcessStartInfo("dotnet", [ProgramRun.OutputOf("src/Junctivor.Cli"), .. arguments])
        {
            WorkingDirectory = _folder.PathOf("."),
        },
        "");

    private static ILocator Box(IPage page, string title) =>
        page.Locator(".box").Filter(new LocatorFilterOptions { Has = page.Locator($"text.title >> text=/^{title}$/") });

    /// <summary>A saved graph of many services in files of fifty, each of which requires some before it.</summary>
    private string Large(int count)
    {
        string file = _folder.PathOf("large.json");
        File.WriteAllText(file, JsonSerializer.Serialize(new
        {
            format = "junctivor-graph",
            version = 1,
            wiring = "large",
            registrations = Enumerable.Range(0, count).Select(number => new
            {
                id = $"Service{number}",
                createdBy = "class",
                type = $"Service{number}",
                services = new[] { $"Service{number}" },
                lifetime = number % 3 == 0 ? "singleton" : "transient",
                file = $"Module{number / OfFile}.cs",
                line = number + 1,
                needs = new[] { number / 2, number / 3 }.Where(other => other != number).Distinct().Select(other => new
                {
                    parameter = $"p{other}",
                    service = $"Service{other}",
                    gets = "one",
                    by = new[] { $"Service{other}" },
                }),
            }),
        }));
        return file;
    }

    private Task<IPage> Open(params string[] drawn) => OpenResult(0, ["draw", .. drawn]);

    private Task<IPage> OpenCompared(string before, string after) => OpenResult(1, ["compare", before, after, "--format", "html"]);

    private async Task<IPage> OpenResult(int status, string[] call)
    {
        TestBrowser.SkipIfMissing();
        string file = _folder.PathOf("page.html");
        ProgramRun run = await ProgramRun.Of("src/Junctivor.Cli", [.. call, "--output", file]);
        Assert.Equal((status, "", ""), (run.Status, run.Output, run.Errors));
        return await _browser.OpenAsync(new Uri($"file://{file}"));
    }
}
