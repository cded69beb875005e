using System.Diagnostics;
using System.Text.RegularExpressions;

namespace Junctivor.Mutation;

/// <summary>A copy of the built core suite, in which the library is exchanged. One runs at a time.</summary>
internal sealed partial class Suite : IDisposable
{
    /// <summary>The classes that take longest, which are only asked where the others are content, the sharpest first.</summary>
    private static readonly string[][] Slow = [["ModelTests", "TierProperties"], ["LargeGraphTests", "PluginTests", "DocumentationTests"],
        ["InterleavingTests"]];

    private readonly TimeSpan[] _usual = new TimeSpan[Slow.Length + 1];

    /// <param name="root">The root of the repository, whose core tests have been built. The copy stands in it: tests look at the
    /// sources.</param>
    public Suite(string root)
    {
        Folder = Path.Combine(root, "eng", "mutation", "obj", "suites", Guid.NewGuid().ToString("N"));
        string built = Path.Combine(root, "tests", "Junctivor.Tests", "bin", "Debug", "net10.0");
        foreach (string file in Directory.EnumerateFiles(built, "*", SearchOption.AllDirectories))
        {
            string copy = Path.Combine(Folder, Path.GetRelativePath(built, file));
            Directory.CreateDirectory(Path.GetDirectoryName(copy)!);
            File.Copy(file, copy);
        }
    }

    /// <summary>Where it stands, and where the library goes.</summary>
    public string Folder { get; }

    public void Dispose() => Directory.Delete(Folder, recursive: true);

    /// <summary>Learns how long it takes with the library as it is.</summary>
    /// <returns>What fails; null if nothing does.</returns>
    public string? RunSound()
    {
        for (int stage = 0; stage < _usual.Length; stage++)
        {
            Stopwatch watch = Stopwatch.StartNew();
            if (Run(stage, TimeSpan.FromMinutes(10)) is { } failure)
            {
                return failure;
            }

            _usual[stage] = watch.Elapsed;
        }

        return null;
    }

    /// <summary>Runs the suite until a test fails.</summary>
    /// <param name="hasOrders">Whether the orders of threads matter to what has been changed.</param>
    /// <returns>What found the mistake; null if nothing did.</returns>
    public string? Run(bool hasOrders)
    {
        for (int stage = 0; stage < (hasOrders ? _usual.Length : _usual.Length - 1); stage++)
        {
            if (Run(stage, (_usual[stage] * 3) + TimeSpan.FromSeconds(10)) is { } failure)
            {
                return failure;
            }
        }

        return null;
    }

    private string? Run(int stage, TimeSpan limit)
    {
        ProcessStartInfo start = new(
            "dotnet", ["exec", Path.Combine(Folder, "Junctivor.Tests.dll"), "-stopOnFail", "-noColor", "-noLogo", "-reporter", "quiet"])
        {
            RedirectStandardOutput = true,
            RedirectStandardError = true,
        };
        foreach (string name in stage == 0 ? Slow.SelectMany(names => names) : Slow[stage - 1])
        {
            start.ArgumentList.Add(stage == 0 ? "-class-" : "-class");
            start.ArgumentList.Add($"*.{name}");
        }

        // A mistake may make a process greedy: it ends before the machine does.
        start.Environment["DOTNET_GCHeapHardLimit"] = "0xC0000000";
        using Process process = Process.Start(start)!;
        Task<string> output = process.StandardOutput.ReadToEndAsync();
        Task<string> errors = process.StandardError.ReadToEndAsync();
        if (!process.WaitForExit(limit))
        {
            process.Kill(entireProcessTree: true);
            return "the time limit";
        }

        process.WaitForExit();
        return process.ExitCode == 0
            ? null
            : FailedTest().Match(output.Result) is { Success: true } test ? test.Groups[1].Value
            : $"exit code {process.ExitCode}";
    }

    [GeneratedRegex(@"^\s*Junctivor\.Tests\.(?:\w+\.)*(\w+\.\w+).*\[FAIL\]", RegexOptions.Multiline)]
    private static partial Regex FailedTest();
}
