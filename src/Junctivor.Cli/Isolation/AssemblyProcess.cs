using Junctivor.Cli.Loading;
using Junctivor.Cli.Output;

namespace Junctivor.Cli.Isolation;

/// <summary>Runs the code of an assembly in a separate process. A saved graph has no code, and is read in this process.</summary>
/// <param name="words">The words of the call, which the other process gets too.</param>
internal sealed class AssemblyProcess(IReadOnlyList<string> words)
{
    /// <summary>Runs a command.</summary>
    /// <param name="files">The assemblies and saved graphs that it reads.</param>
    /// <param name="seconds">The time limit.</param>
    /// <param name="run">The command itself.</param>
    /// <returns>The exit status.</returns>
    public int Run(string[] files, double seconds, Func<int> run) => NeedsChild(files) ? Start(files, seconds).Show() : run();

    /// <summary>Runs a command whose output is read by people, and may be longer than the terminal shows.</summary>
    /// <inheritdoc cref="Run"/>
    public int RunPaged(FileInfo file, double seconds, Func<int> run)
    {
        if (!NeedsChild([$"{file}"]))
        {
            return Pager.While(run);
        }

        ChildResult result = Start([$"{file}"], seconds);
        Pager.Show(result.Output);
        Terminal.Errors.Write(result.Errors);
        return result.Status;
    }

    /// <summary>The words of the call without some, each of which is left out as often as it is named.</summary>
    public IEnumerable<string> WordsWithout(IReadOnlyList<string> named)
    {
        List<string> left = [.. named];
        return words.Where(word => !left.Remove(word));
    }

    private static bool NeedsChild(string[] files) => !Terminal.IsElsewhere && !files.All(WiringSource.IsSavedGraph);

    private ChildResult Start(string[] files, double seconds) => ChildProcess.Run(
        words,
        string.Join(" and ", files.Where(file => !WiringSource.IsSavedGraph(file)).Select(Path.GetFileName)),
        TimeSpan.FromSeconds(seconds));
}
