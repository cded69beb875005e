using Junctivor.Registering;

namespace Junctivor;

/// <summary>
/// Thrown when a warm-up fails. Services that were warmed up are wound down again. The inner exception is that of the user's code.
/// </summary>
public sealed class WarmUpException : JunctivorException
{
    internal WarmUpException(
        IReadOnlyList<(string Name, Exception Failure)> failures, IReadOnlyList<string> woundDown,
        IReadOnlyList<Exception> windDownFailures)
        : base(
            MessageFor(failures, woundDown, windDownFailures),
            failures.Count == 1
                ? failures[0].Failure
                : new AggregateException(failures.Select(each => each.Failure).Concat(windDownFailures)))
    {
        Failed = [.. failures.Select(each => each.Name)];
        WoundDown = woundDown;
        WindDownFailures = windDownFailures;
    }

    /// <summary>The services whose warm-up failed: usually one; several if they failed at the same time.</summary>
    public IReadOnlyList<string> Failed { get; }

    /// <summary>The services that were warmed up before and are wound down again, in the order of warming up.</summary>
    public IReadOnlyList<string> WoundDown { get; }

    /// <summary>The exceptions of winding down; usually empty.</summary>
    public IReadOnlyList<Exception> WindDownFailures { get; }

    private static string MessageFor(
        IReadOnlyList<(string Name, Exception Failure)> failures, IReadOnlyList<string> woundDown,
        IReadOnlyList<Exception> windDownFailures) => string.Join('\n',
    [
        .. failures.Select(each => $"The warm-up of {each.Name} failed: {ExceptionText.Of(each.Failure)}"),
        woundDown.Count == 0
            ? "No other service was warmed up."
            : $"These were warmed up, and are wound down again: {string.Join(", ", woundDown)}.",
        .. windDownFailures.Select(failure => $"Winding down failed too: {ExceptionText.Of(failure)}"),
    ]);
}
