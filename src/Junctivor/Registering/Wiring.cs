using System.Collections;
using Junctivor.Checks;
using Junctivor.Graph;
using Junctivor.Plans;
using Junctivor.Reading;
using Junctivor.Runtime;

namespace Junctivor;

/// <summary>
/// The list of registrations, built as a collection expression or with <see cref="Add"/>; a module is a wiring that
/// another one spreads. Adding is not safe while another thread uses it; checking and building several times is.
/// </summary>
/// <example>
/// <code>
/// Wiring wiring =
/// [
///     Singleton.Of&lt;ITideTable, AlmanacTideTable&gt;(),
///     Scoped.Of&lt;IBerthLedger, SqliteBerthLedger&gt;(),
///     Transient.Of&lt;BerthPlanner&gt;(),
/// ];
/// await using Container container = wiring.Build();
/// </code>
/// </example>
public sealed class Wiring : IReadOnlyCollection<Registration>
{
    private readonly List<Registration> _registrations = [];

    /// <summary>What the last check has read: a build right after it need not read everything again.</summary>
    private WiringReading? _checked;

    /// <summary>How many entries there are.</summary>
    public int Count => _registrations.Count;

    /// <summary>Puts an entry behind the others.</summary>
    /// <param name="registration">The entry; the same object twice counts once.</param>
    /// <exception cref="ArgumentNullException"><paramref name="registration"/> is null.</exception>
    public void Add(Registration registration)
    {
        ArgumentNullException.ThrowIfNull(registration);
        _registrations.Add(registration);
    }

    /// <summary>Gives a module on a condition, to be spread: <c>.. Wiring.If(rehearsal, [ … ])</c>.</summary>
    /// <param name="condition">Whether it counts.</param>
    /// <param name="wiring">The module.</param>
    /// <returns>The module, or an empty wiring.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="wiring"/> is null.</exception>
    public static Wiring If(bool condition, Wiring wiring)
    {
        ArgumentNullException.ThrowIfNull(wiring);
        return condition ? wiring : [];
    }

    /// <summary>Finds everything that is wrong, without making anything.</summary>
    /// <returns>The report; it has no faults if the wiring is sound.</returns>
    public CheckReport Check() => Check(new BuildOptions());

    /// <summary>Finds everything that is wrong, without making anything.</summary>
    /// <param name="options">How strictly.</param>
    /// <returns>The report; it has no faults if the wiring is sound.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="options"/> is null.</exception>
    public CheckReport Check(BuildOptions options)
    {
        ArgumentNullException.ThrowIfNull(options);
        WiringReading reading = TakeReading();
        Volatile.Write(ref _checked, reading);
        return options.Weigh(reading.Reader.Graph, reading.Found);
    }

    /// <summary>Checks the whole wiring, and makes the container if it is sound. Nothing is constructed yet.</summary>
    /// <param name="incoming">The values that the wiring promises with <c>Singleton.Incoming</c>.</param>
    /// <returns>The container; end it with <c>await using</c>.</returns>
    /// <exception cref="WiringException">There are faults: all of them are in its report.</exception>
    public Container Build(params ReadOnlySpan<Incoming> incoming) => Build(new BuildOptions(), incoming);

    /// <summary>Checks the whole wiring, and makes the container if it is sound. Nothing is constructed yet.</summary>
    /// <param name="options">How strictly it is checked.</param>
    /// <param name="incoming">The values that the wiring promises with <c>Singleton.Incoming</c>.</param>
    /// <returns>The container; end it with <c>await using</c>.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="options"/> is null.</exception>
    /// <exception cref="WiringException">There are faults: all of them are in its report.</exception>
    public Container Build(BuildOptions options, params ReadOnlySpan<Incoming> incoming)
    {
        ArgumentNullException.ThrowIfNull(options);
        WiringReading reading = TakeReading();
        WiringReader reader = reading.Reader;
        HandedOver values = HandedOver.Take(reader.Types, reader.Graph, Level.Singleton, incoming, out IReadOnlyList<Fault> unpromised);
        CheckReport report = options.Weigh(reader.Graph, [.. reading.Found, .. unpromised, .. NotHandedOverFaults.AtBuild(reader.Graph, values.Has)]);
        return report.IsSound ? new Container(new PlanBook(reader, options.CompilationOfPlans), values, report, options) : throw new WiringException(report);
    }

    /// <summary>Goes through the entries in the order written.</summary>
    /// <returns>An enumerator over the entries.</returns>
    public IEnumerator<Registration> GetEnumerator() => _registrations.GetEnumerator();

    IEnumerator IEnumerable.GetEnumerator() => GetEnumerator();

    private WiringReader Read() => new([.. _registrations.Select(registration => registration.Entry)]);

    /// <summary>What the last check has read, where nothing was added since and nobody else has taken it: a container goes on reading into it.</summary>
    private WiringReading TakeReading() =>
        Interlocked.Exchange(ref _checked, null) is { } read && read.Count == Count ? read : WiringReading.Of(Read(), Count);

    /// <summary>What the wiring means, for whoever writes it down.</summary>
    internal ServiceGraph ReadGraph() => Read().Graph;
}
