using Junctivor.Checks;
using Junctivor.Registering;

namespace Junctivor;

/// <summary>
/// Thrown where a constructor or a factory threw while a service was resolved. The user's exception is inside; nothing
/// half-made is kept, and the next try starts afresh.
/// </summary>
public sealed class ConstructionException : Exception
{
    private readonly List<Exception> _endingFailures = [];

    /// <summary>The ways of the constructions that it came through, the innermost first: each is only remembered, as there may be thousands.</summary>
    private readonly List<IReadOnlyList<FaultStep>> _ways;

    private IReadOnlyList<FaultStep>? _path;

    internal ConstructionException(IReadOnlyList<FaultStep> path, Exception failure)
        : base(null, failure) => _ways = [path];

    /// <summary>What failed, why, and the path to it.</summary>
    public override string Message =>
        $"{Path[^1].Name} could not be made: {ExceptionText.Of(InnerException!)}\n"
        + string.Join('\n', FaultText.PathLines(Path).Select(line => "  " + line))
        + Runtime.DisposalFailures.Lines(_endingFailures);

    /// <summary>From what was asked for to what failed.</summary>
    public IReadOnlyList<FaultStep> Path => _path ??= Join(_ways);

    /// <summary>What was thrown when that was ended which had been made for the service that failed; mostly empty.</summary>
    public IReadOnlyList<Exception> DisposalFailures => _endingFailures;

    /// <summary>User code resolved this while it was constructed in its turn.</summary>
    internal void CameThrough(IReadOnlyList<FaultStep> outer)
    {
        _ways.Add(outer);
        _path = null;
    }

    internal void AlsoFailed(IEnumerable<Exception> failures) => _endingFailures.AddRange(failures);

    private static List<FaultStep> Join(List<IReadOnlyList<FaultStep>> ways)
    {
        List<FaultStep> path = [];
        foreach (IReadOnlyList<FaultStep> way in ways.AsEnumerable().Reverse())
        {
            int depth = path.Count;
            path.AddRange(way.Select(step => step with { Depth = step.Depth + depth }));
        }

        return path;
    }
}
