using System.Diagnostics;

namespace Harbour.Tests;

/// <summary>The page with the berths, as a browser shows it.</summary>
public class PageTests
{
    private const string Heron =
        """{ "vessel": "Heron <i>&", "lengthMetres": 16.5, "draughtMetres": 2.1, "arrival": "2027-05-04", "nights": 2 }""";

    private static readonly string[] Browsers = ["chromium", "chromium-browser", "google-chrome"];

    [Fact]
    public async Task The_page_is_html_with_a_row_for_each_berth_and_text_is_text()
    {
        await using OpenOffice office = await OpenOffice.OpenAsync(changes: Rehearsal.Changes);
        using HttpResponseMessage booked = await office.PostAsync("/berths/requests", Heron);

        using HttpResponseMessage answer =
            await office.Client.GetAsync(new Uri("/", UriKind.Relative), TestContext.Current.CancellationToken);
        string page = await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);

        Assert.Equal("text/html; charset=utf-8", $"{answer.Content.Headers.ContentType}");
        Assert.Equal(5, page.Split("<tr>").Length - 1);
        Assert.Contains("Heron &lt;i&gt;&amp;</div></td><td class=\"number\">due 4 May 2027<", page, StringComparison.Ordinal);
        Assert.Contains("<title>Harbour office: 3 of 4 berths free</title>", page, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_browser_shows_the_berths()
    {
        string? browser = Browsers.Select(OnPath).FirstOrDefault(path => path is not null);
        Assert.SkipWhen(browser is null, "No Chromium is installed: apt-get install chromium.");
        await using OpenOffice office = await OpenOffice.OpenAsync(changes: Rehearsal.Changes);
        using HttpResponseMessage booked = await office.PostAsync("/berths/requests", Heron);

        string dom = await DumpAsync(browser!, office.Address);

        Assert.Equal(4, dom.Split("class=\"berth ").Length - 1);
        Assert.Contains("<div class=\"berth due\" style=\"width:29%\">Heron &lt;i&gt;&amp;</div>", dom, StringComparison.Ordinal);
    }

    private static async Task<string> DumpAsync(string browser, Uri page)
    {
        string profile = Directory.CreateTempSubdirectory("harbour-browser-").FullName;
        ProcessStartInfo start = new(
            browser,
            ["--headless", "--no-sandbox", "--disable-gpu", "--disable-dev-shm-usage", $"--user-data-dir={profile}", "--dump-dom",
                $"{page}"])
        {
            RedirectStandardOutput = true,
            RedirectStandardError = true,
        };
        using Process process = Process.Start(start)!;
        Task<string> errors = process.StandardError.ReadToEndAsync(TestContext.Current.CancellationToken);
        string dom = await process.StandardOutput.ReadToEndAsync(TestContext.Current.CancellationToken);
        await process.WaitForExitAsync(TestContext.Current.CancellationToken);
        Assert.True(process.ExitCode == 0, await errors);
        Directory.Delete(profile, recursive: true);
        return dom;
    }

    private static string? OnPath(string program) => (Environment.GetEnvironmentVariable("PATH") ?? "")
        .Split(Path.PathSeparator)
        .Select(folder => Path.Combine(folder, program))
        .FirstOrDefault(File.Exists);
}
