using Junctivor.Checks;

namespace Junctivor;

/// <summary>
/// Thrown where a constructor or a factory threw while a service was resolved. The user's exception is inside; nothing
/// half-made is kept, and the next try starts afresh.
/// </summary>
public sealed class ConstructionException : Exception
{
    internal ConstructionException(IReadOnlyList<FaultStep> path, Exception failure)
        : base(Describe(path, failure), failure) => Path = path;

    /// <summary>From what was asked for to what failed.</summary>
    public IReadOnlyList<FaultStep> Path { get; }

    /// <summary>What was thrown when that was ended which had been made for the service that failed; mostly empty.</summary>
    public IReadOnlyList<Exception> EndingFailures { get; internal set; } = [];

    private static string Describe(IReadOnlyList<FaultStep> path, Exception failure)
    {
        string what = path.Count == 0 ? "A service" : path[^1].Name;
        return $"{what} could not be made: {failure.GetType().Name}: {failure.Message}\n{string.Join('\n', FaultText.PathLines(path).Select(line => "  " + line))}";
    }
}
