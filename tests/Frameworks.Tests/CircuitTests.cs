using Microsoft.Playwright;

namespace Frameworks.Tests;

/// <summary>Two browsers: each has a list of its own, and both see one tally.</summary>
public sealed class CircuitTests : IAsyncLifetime
{
    private static readonly string? Browser =
        new[] { "chromium", "chromium-browser", "google-chrome" }.SelectMany(name =>
            (Environment.GetEnvironmentVariable("PATH") ?? "").Split(Path.PathSeparator).Select(folder => Path.Combine(folder, name)))
            .FirstOrDefault(File.Exists);

    private RunningOffice _office = null!;

    public async ValueTask InitializeAsync() => _office = await RunningOffice.OpenAsync();

    public ValueTask DisposeAsync() => _office.DisposeAsync();

    [Fact]
    public async Task Each_circuit_has_a_list_of_its_own_and_all_have_one_tally()
    {
        Assert.SkipWhen(Browser is null, "No Chromium is installed: apt-get install chromium.");
        using IPlaywright playwright = await Playwright.CreateAsync();
        await using IBrowser browser = await playwright.Chromium.LaunchAsync(
            new BrowserTypeLaunchOptions { ExecutablePath = Browser, Args = ["--no-sandbox"] });
        IPage mira = await OpenAsync(browser);
        IPage tove = await OpenAsync(browser);

        await mira.GetByText("Enter a vessel").ClickAsync();
        await mira.GetByText("Vessel 1").WaitForAsync();
        await tove.GetByText("1 vessels in the harbour").WaitForAsync();
        await tove.GetByText("Enter a vessel").ClickAsync();
        await tove.GetByText("Vessel 2").WaitForAsync();
        await mira.GetByText("2 vessels in the harbour").WaitForAsync();

        await mira.GetByText("by 2 clerks at work").WaitForAsync();
        Assert.Equal(["Vessel 1"], await mira.Locator("#own li").AllInnerTextsAsync());
        Assert.Equal(["Vessel 2"], await tove.Locator("#own li").AllInnerTextsAsync());
        await tove.GotoAsync("about:blank");
        await mira.GetByText("by 1 clerks at work").WaitForAsync();
    }

    private async Task<IPage> OpenAsync(IBrowser browser)
    {
        IBrowserContext context = await browser.NewContextAsync();
        IPage page = await context.NewPageAsync();
        await page.GotoAsync(new Uri(_office.Address, "/tally").ToString());
        await page.GetByText("Enter a vessel").WaitForAsync();
        return page;
    }
}
