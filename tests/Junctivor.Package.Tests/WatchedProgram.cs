using System.Diagnostics;
using System.Threading.Channels;

namespace Junctivor.Package.Tests;

/// <summary>A program that dotnet watch runs, and what both of them write, by whichever way.</summary>
internal sealed class WatchedProgram : IDisposable
{
    private readonly Channel<string> _lines = Channel.CreateUnbounded<string>();
    private readonly CancellationTokenSource _limit =
        CancellationTokenSource.CreateLinkedTokenSource(TestContext.Current.CancellationToken);

    private readonly Process _watch;

    /// <param name="folder">Where it runs.</param>
    /// <param name="project">The project.</param>
    /// <param name="packages">The folder of packages.</param>
    /// <param name="limit">After how long a test fails, rather than waiting for ever.</param>
    public WatchedProgram(string folder, string project, string packages, TimeSpan limit)
    {
        _limit.CancelAfter(limit);
        _watch = Process.Start(new ProcessStartInfo("dotnet", ["watch", "--project", project, "--non-interactive", "run"])
        {
            WorkingDirectory = folder,
            RedirectStandardInput = true,
            RedirectStandardOutput = true,
            RedirectStandardError = true,
            Environment = { ["NUGET_PACKAGES"] = packages, ["DOTNET_USE_POLLING_FILE_WATCHER"] = "1" },
        })!;
        _watch.OutputDataReceived += (_, line) => Take(line.Data);
        _watch.ErrorDataReceived += (_, line) => Take(line.Data);
        _watch.BeginOutputReadLine();
        _watch.BeginErrorReadLine();
    }

    /// <summary>The next line with some text.</summary>
    public async Task<string> LineWithAsync(string part)
    {
        List<string> others = [];
        try
        {
            await foreach (string line in _lines.Reader.ReadAllAsync(_limit.Token))
            {
                if (line.Contains(part, StringComparison.Ordinal))
                {
                    return line;
                }

                others.Add(line);
            }
        }
        catch (OperationCanceledException)
        {
            // Said below, with all that came in its place.
        }

        throw new InvalidOperationException($"No line has '{part}'. These came:\n{string.Join('\n', others)}");
    }

    public void Dispose()
    {
        _watch.Kill(entireProcessTree: true);
        _watch.Dispose();
        _limit.Dispose();
    }

    private void Take(string? line)
    {
        if (line is not null)
        {
            _lines.Writer.TryWrite(line);
        }
    }
}
