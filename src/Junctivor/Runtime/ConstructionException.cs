using Junctivor.Checks;

namespace Junctivor;

/// <summary>
/// Thrown where a constructor or a factory threw while a service was resolved. The user's exception is inside; nothing
/// half-made is kept, and the next try starts afresh.
/// </summary>
public sealed class ConstructionException : Exception
{
    private readonly List<Exception> _endingFailures = [];
    private IReadOnlyList<FaultStep> _path;

    internal ConstructionException(IReadOnlyList<FaultStep> path, Exception failure)
        : base(null, failure) => _path = path;

    /// <summary>What failed, why, and the path to it.</summary>
    public override string Message =>
        $"{_path[^1].Name} could not be made: {InnerException!.GetType().Name}: {InnerException.Message}\n"
        + string.Join('\n', FaultText.PathLines(_path).Select(line => "  " + line));

    /// <summary>From what was asked for to what failed.</summary>
    public IReadOnlyList<FaultStep> Path => _path;

    /// <summary>What was thrown when that was ended which had been made for the service that failed; mostly empty.</summary>
    public IReadOnlyList<Exception> EndingFailures => _endingFailures;

    /// <summary>User code resolved this while it was constructed in its turn.</summary>
    internal void CameThrough(IReadOnlyList<FaultStep> outer) =>
        _path = [.. outer, .. _path.Select(step => step with { Depth = step.Depth + outer.Count })];

    internal void AlsoFailed(IEnumerable<Exception> failures) => _endingFailures.AddRange(failures);
}
