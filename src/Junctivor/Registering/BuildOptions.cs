using System.Collections.ObjectModel;
using Junctivor.Checks;

namespace Junctivor;

/// <summary>How strictly a wiring is checked, and how the container works. Immutable.</summary>
/// <example>
/// <code>
/// BuildOptions options = new()
/// {
///     WarningsAreFaults = true,
///     Severities = new Dictionary&lt;string, Severity&gt; { ["JV303"] = Severity.Fault, ["JV501"] = Severity.Note },
/// };
/// </code>
/// </example>
public sealed record BuildOptions
{
    private readonly ReadOnlyDictionary<string, Severity>? _severities;

    private static readonly TimeSpan ShortestTimed = TimeSpan.FromMilliseconds(1);

    private readonly TimeSpan _longestWait = TimeSpan.FromMinutes(1);

    /// <summary>Whether warnings stop a build as faults do; without it, they do not. What <see cref="Severities"/> name keeps the severity
    /// that stands there.</summary>
    public bool WarningsAreFaults { get; init; }

    /// <summary>
    /// The severity of some codes in this wiring, such as <c>JV303</c>; empty by default. Every code can be made weightier. Lighter can
    /// be made what a container can live with: warnings, notes, JV203 and JV205. To accept one in a single place, write
    /// <see cref="Registration{T}.Accept"/> behind the registration.
    /// </summary>
    /// <exception cref="ArgumentException">There is no such code, or its severity cannot be lowered.</exception>
    /// <exception cref="ArgumentNullException">It is null.</exception>
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
    /// From how long a constructor or factory counts as slow, and is shown as an activity of the source <c>Junctivor</c> to those who
    /// listen; 100 ms by default. What its arguments took does not count.
    /// </summary>
    public TimeSpan SlowConstruction { get; init; } = TimeSpan.FromMilliseconds(100);

    /// <summary>
    /// For how long whoever resolves waits for another thread that is making the same shared instance; one minute by default, and
    /// <see cref="Timeout.InfiniteTimeSpan"/> for ever. Then <see cref="ConstructionTimeoutException"/> is thrown: a constructor that blocks
    /// on a task which resolves what it is making would otherwise hang. Threads that wait for each other are told at once, without waiting.
    /// </summary>
    /// <exception cref="ArgumentOutOfRangeException">It is negative, and not infinite, or more than <see cref="int.MaxValue"/> milliseconds.</exception>
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

    /// <summary>When code is compiled for what is asked for; in the background by default.</summary>
    public PlanCompilation Compilation { get; init; }

    /// <summary>What is compiled is not timed, as it never takes long; where the shortest time counts as slow, nothing is compiled.</summary>
    internal PlanCompilation CompilationOfPlans => SlowConstruction < ShortestTimed ? PlanCompilation.Never : Compilation;

    internal CheckReport ToReport(Graph.ServiceGraph graph, IEnumerable<Fault> found) =>
        new SeverityPolicy(graph, _severities, WarningsAreFaults).Apply(found);

    private static FaultKind Checked(string code, Severity severity)
    {
        FaultKind kind = FaultKind.Find(code) ?? throw new ArgumentException($"There is no fault '{code}': they go from {FaultKind.All[0].Code} to {FaultKind.All[^1].Code}, see docs/faults.md.", nameof(code));
        return severity >= kind.Severity || kind.CanBeLowered
            ? kind
            : throw new ArgumentException($"{kind} stays a fault: {kind.Meaning} Nothing that is built so could work.", nameof(severity));
    }
}
