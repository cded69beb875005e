using System.Diagnostics;

namespace Junctivor.Tests.Shared;

/// <summary>A web server as a process of its own, on a free port.</summary>
internal static class RunningServer
{
    /// <summary>Starts it, asks once, and ends it.</summary>
    /// <param name="folder">Where it runs.</param>
    /// <param name="program">An assembly, or a published program.</param>
    /// <param name="path">What is asked for.</param>
    /// <returns>The answer.</returns>
    public static async Task<string> AnswerAsync(string folder, string program, string path) =>
        (await AnswersAsync(folder, program, path))[0];

    /// <summary>The same, with several questions, one after another.</summary>
    public static async Task<string[]> AnswersAsync(string folder, string program, params string[] paths)
    {
        string[] address = ["--urls", "http://127.0.0.1:0"];
        bool isAssembly = program.EndsWith(".dll", StringComparison.Ordinal);
        string[] arguments = isAssembly ? [program, .. address] : address;
        using Process server = Process.Start(new ProcessStartInfo(isAssembly ? "dotnet" : program, arguments)
        {
            WorkingDirectory = folder,
            RedirectStandardOutput = true,
        })!;
        try
        {
            string line;
            do
            {
                line = await server.StandardOutput.ReadLineAsync(TestContext.Current.CancellationToken)
                    ?? throw new InvalidOperationException($"{program} ended with {server.ExitCode} before it listened.");
            }
            while (!line.Contains("Now listening on: ", StringComparison.Ordinal));

            using HttpClient client = new() { BaseAddress = new Uri(line.Split("Now listening on: ")[1].Trim()) };
            List<string> answers = [];
            foreach (string path in paths)
            {
                answers.Add(await client.GetStringAsync(new Uri(path, UriKind.Relative), TestContext.Current.CancellationToken));
            }

            return [.. answers];
        }
        finally
        {
            server.Kill();
        }
    }
}
