using System.Diagnostics;
using Junctivor.Tests.Shared;

namespace Harbour.Tests;

/// <summary>The office as a process that stays open until it is stopped.</summary>
public class ServiceTests
{
    private static CancellationToken Token => TestContext.Current.CancellationToken;

    [Fact]
    public async Task On_SIGTERM_it_answers_and_notes_what_is_there_and_exits_with_0()
    {
        Assert.SkipUnless(OperatingSystem.IsLinux(), "SIGTERM is sent with kill.");

        (int status, string output) = await ServeAsync([], async client =>
        {
            using HttpResponseMessage answer = await client.PostAsync(
                new Uri("/arrivals", UriKind.Relative),
                new StringContent("""{ "vessel": "Tern" }""", System.Text.Encoding.UTF8, "application/json"), Token);
            Assert.Equal(202, (int)answer.StatusCode);
        });

        Assert.Equal(0, status);
        Assert.EndsWith(
            "The harbour office is closed: the last requests are answered, the last arrivals noted.\n", output, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Harbour_exports_the_metrics_of_the_container()
    {
        Assert.SkipUnless(OperatingSystem.IsLinux(), "SIGTERM is sent with kill.");

        (int status, string output) =
            await ServeAsync(["--telemetry", "console"], client => client.GetStringAsync(new Uri("/berths", UriKind.Relative), Token));

        Assert.Equal(0, status);
        Assert.All(
            ["junctivor.scopes.open", "junctivor.scopes.entered", "junctivor.constructions", "junctivor.construction.duration",
                "junctivor.service: BookingDesk", "scope scoped"],
            name => Assert.Contains(name, output, StringComparison.Ordinal));
    }

    [Fact]
    public async Task An_unknown_destination_is_reported_to_be_one()
    {
        ProgramRun run = await ProgramRun.Of("examples/Harbour", "serve", "--telemetry", "the moon");

        Assert.NotEqual(0, run.Status);
        Assert.Contains("the moon", run.Errors, StringComparison.Ordinal);
        Assert.Contains("console", run.Errors, StringComparison.Ordinal);
    }

    private static async Task<(int Status, string Output)> ServeAsync(string[] options, Func<HttpClient, Task> work)
    {
        string folder = Directory.CreateTempSubdirectory("harbour-tests-").FullName;
        ProcessStartInfo start = new(
            "dotnet",
            [ProgramRun.OutputOf("examples/Harbour"), "serve", "--urls", "http://127.0.0.1:0", "--ledger",
                Path.Combine(folder, "ledger.db"), .. options])
        {
            RedirectStandardOutput = true,
        };
        using Process process = Process.Start(start)!;
        try
        {
            string opened = await OpenedAsync(process.StandardOutput);
            using HttpClient client = new() { BaseAddress = new Uri(opened.Split("open at ")[1].Split(';')[0]) };
            await work(client);
            Process.Start("kill", ["-TERM", $"{process.Id}"]).Dispose();
            string rest = await process.StandardOutput.ReadToEndAsync(Token);
            await process.WaitForExitAsync(Token);
            return (process.ExitCode, opened + rest);
        }
        finally
        {
            process.Kill();
            Directory.Delete(folder, recursive: true);
        }
    }

    private static async Task<string> OpenedAsync(StreamReader output)
    {
        while (await output.ReadLineAsync(Token) is { } line)
        {
            if (line.Contains("open at ", StringComparison.Ordinal))
            {
                return line;
            }
        }

        throw new InvalidOperationException("The office did not open.");
    }
}
