using Junctivor.Registering;

namespace Junctivor;

/// <summary>
/// Thrown where something did not warm up. What had warmed up is wound down again; what user code threw is inside.
/// </summary>
public sealed class WarmUpException : Exception
{
    internal WarmUpException(IReadOnlyList<(string Name, Exception Failure)> failures, IReadOnlyList<string> woundDown, IReadOnlyList<Exception> windDownFailures)
        : base(
            MessageFor(failures, woundDown, windDownFailures),
            failures.Count == 1 ? failures[0].Failure : new AggregateException(failures.Select(each => each.Failure).Concat(windDownFailures)))
    {
        Failed = [.. failures.Select(each => each.Name)];
        WoundDown = woundDown;
        WindDownFailures = windDownFailures;
    }

    /// <summary>What failed: usually one, and several where they failed at the same time.</summary>
    public IReadOnlyList<string> Failed { get; }

    /// <summary>What had warmed up before, and is wound down again, in the order of warming up.</summary>
    public IReadOnlyList<string> WoundDown { get; }

    /// <summary>What was thrown while that was wound down; mostly empty.</summary>
    public IReadOnlyList<Exception> WindDownFailures { get; }

    private static string MessageFor(
        IReadOnlyList<(string Name, Exception Failure)> failures, IReadOnlyList<string> woundDown, IReadOnlyList<Exception> windDownFailures) => string.Join('\n',
    [
        .. failures.Select(each => $"{each.Name} did not warm up: {ExceptionText.Of(each.Failure)}"),
        woundDown.Count == 0 ? "Nothing else was warm." : $"What had warmed up is wound down again: {string.Join(", ", woundDown)}.",
        .. windDownFailures.Select(failure => $"Winding down failed too: {ExceptionText.Of(failure)}"),
    ]);
}
