using Junctivor.Tests.Shared;
using Microsoft.Playwright;

namespace Junctivor.Cli.Tests;

/// <summary>A browser that opens pages of the command, and notes all that they should not do: errors, dialogs, and requests to
/// elsewhere.</summary>
internal sealed class TestBrowser : IAsyncDisposable
{
    private static readonly string? Program =
        new[] { "chromium", "chromium-browser", "google-chrome" }.SelectMany(name =>
            (Environment.GetEnvironmentVariable("PATH") ?? "").Split(Path.PathSeparator).Select(folder => Path.Combine(folder, name)))
            .FirstOrDefault(File.Exists);

    private static readonly string Checker =
        Path.Combine(ProgramRun.RepositoryRoot, "tests", "Tools", "axe", "node_modules", "axe-core", "axe.min.js");

    private readonly List<string> _problems = [];
    private IPlaywright? _playwright;
    private IBrowser? _browser;

    public static void SkipIfMissing() => Assert.SkipWhen(Program is null, "No Chromium is installed: apt-get install chromium.");

    public static void SkipIfCheckerIsMissing() =>
        Assert.SkipUnless(File.Exists(Checker), "axe-core is not installed: run 'npm ci' in tests/Tools/axe.");

    /// <summary>What an accessibility checker finds on a page, as it is now.</summary>
    public static async Task<string> FoundByCheckerAsync(IPage page)
    {
        await page.EvaluateAsync($"{await File.ReadAllTextAsync(Checker, TestContext.Current.CancellationToken)};undefined");
        return await page.EvaluateAsync<string>(
            "axe.run().then(found => found.violations.map(each => `${each.id}: ${each.nodes.map(node => node.html).join(' ')}`).join('\\n'))");
    }

    /// <summary>Opens a page, which may request nothing but itself and what is below it.</summary>
    public async Task<IPage> OpenAsync(Uri address)
    {
        _playwright = await Playwright.CreateAsync();
        _browser = await _playwright.Chromium.LaunchAsync(
            new BrowserTypeLaunchOptions { ExecutablePath = Program, Args = ["--no-sandbox"] });
        IBrowserContext context = await _browser.NewContextAsync(new BrowserNewContextOptions
        {
            ViewportSize = new ViewportSize { Width = 1280, Height = 800 },
        });
        IPage page = await context.NewPageAsync();
        page.Console += (_, message) => _problems.Add(message.Text);
        page.PageError += (_, message) => _problems.Add(message);
        page.Dialog += (_, dialog) => _problems.Add(dialog.Message);
        page.Request += (_, request) =>
            _problems.AddRange(request.Url.StartsWith(address.ToString(), StringComparison.Ordinal) ? [] : [request.Url]);
        await page.GotoAsync(address.ToString());
        return page;
    }

    /// <summary>Lets pass what a browser says of a server that was ended on purpose.</summary>
    public void Forget(params string[] expected) =>
        _problems.RemoveAll(problem => expected.Any(each => problem.Contains(each, StringComparison.Ordinal)));

    public async ValueTask DisposeAsync()
    {
        if (_browser is not null)
        {
            await _browser.DisposeAsync();
        }

        _playwright?.Dispose();
        Assert.Empty(_problems);
    }
}
