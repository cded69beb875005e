using Junctivor.Checks;
using Junctivor.Registering;

namespace Junctivor;

/// <summary>
/// Thrown when a constructor or factory throws while a service is resolved. Its exception is the inner one. What was created for the
/// service is disposed, and the next call tries again.
/// </summary>
public sealed class ConstructionException : JunctivorException
{
    private readonly List<Exception> _endingFailures = [];

    /// <summary>The paths of the nested constructions, the innermost first: joined only when they are read, as there may be
    /// thousands.</summary>
    private readonly List<IReadOnlyList<FaultStep>> _ways;

    private IReadOnlyList<FaultStep>? _path;

    internal ConstructionException(IReadOnlyList<FaultStep> path, Exception failure)
        : base(null, failure) => _ways = [path];

    /// <summary>What failed, why, and the path to it.</summary>
    public override string Message =>
        $"{Path[^1].Name} could not be created: {ExceptionText.Of(InnerException!)}\n"
        + string.Join('\n', FaultText.PathLines(Path).Select(line => "  " + line))
        + Runtime.DisposalFailures.Lines(_endingFailures);

    /// <summary>The path from the resolved service to the one that failed.</summary>
    public IReadOnlyList<FaultStep> Path => _path ??= Join(_ways);

    /// <summary>The exceptions of disposing what had been created for the failed service; usually empty.</summary>
    public IReadOnlyList<Exception> DisposalFailures => _endingFailures;

    /// <summary>User code resolved this during its own construction.</summary>
    internal void CameThrough(IReadOnlyList<FaultStep> outer)
    {
        _ways.Add(outer);
        _path = null;
    }

    internal void AlsoFailed(IEnumerable<Exception> failures) => _endingFailures.AddRange(failures);

    private static List<FaultStep> Join(List<IReadOnlyList<FaultStep>> paths)
    {
        List<FaultStep> path = [];
        foreach (IReadOnlyList<FaultStep> way in paths.AsEnumerable().Reverse())
        {
            int depth = path.Count;
            path.AddRange(way.Select(step => step with { Depth = step.Depth + depth }));
        }

        return path;
    }
}
