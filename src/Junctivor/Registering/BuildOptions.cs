using System.Collections.ObjectModel;
using Junctivor.Checks;

namespace Junctivor;

/// <summary>The severities of faults, and the settings of the container. Immutable.</summary>
/// <example>
/// <code>
/// BuildOptions options = new()
/// {
///     WarningsAreErrors = true,
///     Severities = new Dictionary&lt;string, Severity&gt; { ["JV303"] = Severity.Error, ["JV501"] = Severity.Note },
/// };
/// </code>
/// </example>
public sealed record BuildOptions
{
    private readonly ReadOnlyDictionary<string, Severity>? _severities;

    private static readonly TimeSpan ShortestTimed = TimeSpan.FromMilliseconds(1);

    private readonly TimeSpan _longestWait = TimeSpan.FromMinutes(1);

    /// <summary>Whether warnings stop a build as errors do; false by default. Codes in <see cref="Severities"/> keep their severity
    /// there.</summary>
    public bool WarningsAreErrors { get; init; }

    /// <summary>
    /// The severity of some codes in this wiring, such as <c>JV303</c>; empty by default. Every severity can be raised. Those of
    /// warnings, notes, JV203 and JV205 can be lowered. To accept a fault in a single place, use
    /// <see cref="MarkableRegistration{TSelf}.Accept"/> on the registration.
    /// </summary>
    /// <exception cref="ArgumentException">A code does not exist, or its severity cannot be lowered.</exception>
    /// <exception cref="ArgumentNullException">The value is null.</exception>
    public IReadOnlyDictionary<string, Severity> Severities
    {
        get => _severities ?? ReadOnlyDictionary<string, Severity>.Empty;
        init
        {
            ArgumentNullException.ThrowIfNull(value);
            _severities = new(value.ToDictionary(pair => Checked(pair.Key, pair.Value).Code, pair => pair.Value));
        }
    }

    /// <summary>
    /// The duration from which a constructor or factory counts as slow, and is reported as an activity of the source <c>Junctivor</c>. The
    /// default is 100 ms. The time for its arguments does not count.
    /// </summary>
    public TimeSpan SlowConstruction { get; init; } = TimeSpan.FromMilliseconds(100);

    /// <summary>
    /// How long a call waits for another thread that is creating the same shared instance. The default is one minute;
    /// <see cref="Timeout.InfiniteTimeSpan"/> means no limit. Then <see cref="ConstructionTimeoutException"/> is thrown: a constructor that
    /// blocks on a task which resolves its own service would otherwise hang. Threads that wait for each other get an exception at once.
    /// </summary>
    /// <exception cref="ArgumentOutOfRangeException">The value is negative and not infinite, or more than <see cref="int.MaxValue"/>
    /// milliseconds.</exception>
    public TimeSpan ConstructionTimeout
    {
        get => _longestWait;
        init
        {
            if (value != Timeout.InfiniteTimeSpan)
            {
                ArgumentOutOfRangeException.ThrowIfLessThan(value, TimeSpan.Zero);
                ArgumentOutOfRangeException.ThrowIfGreaterThan(value, TimeSpan.FromMilliseconds(int.MaxValue));
            }

            _longestWait = value;
        }
    }

    /// <summary>Called by each build with its report, before a <see cref="WiringException"/> is thrown or the container is returned; null
    /// by default. Use it to log warnings and notes, which do not stop a build. Called again when the container is disposed, if
    /// services with warm-up work were used and <c>WarmUpAsync</c> was never called (JV403). An exception of this function is
    /// thrown by the build; or by the disposal, after everything is disposed.</summary>
    public Action<CheckReport>? OnReport { get; init; }

    /// <summary>When plans are compiled to code; in the background by default.</summary>
    public PlanCompilation Compilation { get; init; }

    /// <summary>Compiled constructions are not timed, as they are short; if every duration counts as slow, nothing is compiled.</summary>
    internal PlanCompilation CompilationOfPlans => SlowConstruction < ShortestTimed ? PlanCompilation.Never : Compilation;

    internal CheckReport ToReport(Graph.ServiceGraph graph, IEnumerable<Fault> found) =>
        new SeverityPolicy(graph, _severities, WarningsAreErrors).Apply(found);

    private static FaultKind Checked(string code, Severity severity)
    {
        FaultKind kind = FaultKind.Find(code)
            ?? throw new ArgumentException(
                $"There is no fault code '{code}'. Codes go from {FaultKind.All[0].Code} to {FaultKind.All[^1].Code}: run 'junctivor "
                    + "fault' for the list.", nameof(code));
        return severity >= kind.Severity || kind.CanBeLowered
            ? kind
            : throw new ArgumentException(
                $"The severity of {kind} cannot be lowered: {kind.Meaning} The container could not work.", nameof(severity));
    }
}
