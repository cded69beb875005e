using System.Diagnostics;

namespace Junctivor.Package.Tests;

/// <summary>A web server as a process of its own, on a free port.</summary>
internal static class RunningServer
{
    /// <summary>Starts it, asks once, and ends it.</summary>
    public static async Task<string> AnswerAsync(string folder, string program, string path)
    {
        using Process server = Process.Start(new ProcessStartInfo("dotnet", [program, "--urls", "http://127.0.0.1:0"])
        {
            WorkingDirectory = folder,
            RedirectStandardOutput = true,
        })!;
        try
        {
            string line;
            do
            {
                line = (await server.StandardOutput.ReadLineAsync(TestContext.Current.CancellationToken))!;
            }
            while (!line.Contains("Now listening on: ", StringComparison.Ordinal));

            using HttpClient client = new();
            return await client.GetStringAsync(
                new Uri($"{line.Split("Now listening on: ")[1].Trim()}{path}"), TestContext.Current.CancellationToken);
        }
        finally
        {
            server.Kill();
        }
    }
}
