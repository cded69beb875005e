using Junctivor.Graph;

namespace Junctivor.Reports.Graphs;

/// <summary>
/// What a wiring means, as data that can be kept in a file, read by other programs, and compared: see docs/formats.md.
/// Immutable, and so safe for use by several threads.
/// </summary>
public sealed record SavedGraph
{
    /// <summary>What a saved graph says of itself.</summary>
    public const string FormatName = "junctivor-graph";

    /// <summary>The newest version of the form, which this library writes and reads.</summary>
    public const int NewestVersion = 1;

    /// <summary>Always <see cref="FormatName"/>.</summary>
    public string Format { get; init; } = FormatName;

    /// <summary>The version of the form.</summary>
    public int Version { get; init; } = NewestVersion;

    /// <summary>What the wiring is called.</summary>
    public required string Wiring { get; init; }

    /// <summary>
    /// Every registration in the order written, and behind them what follows from them: closed generics, decorated services, classes
    /// that a function constructs.
    /// </summary>
    public IReadOnlyList<SavedRegistration> Registrations { get; init; } = [];

    /// <summary>The entry points that resolve services from outside the wiring, such as endpoints; often empty. They provide
    /// nothing.</summary>
    public IReadOnlyList<SavedRegistration> EntryPoints { get; init; } = [];

    /// <summary>Who answers for each service, with its decorators around.</summary>
    public IReadOnlyList<SavedService> Services { get; init; } = [];

    /// <summary>The short name of each type that is mentioned, by its full name.</summary>
    public IReadOnlyDictionary<string, string> Names { get; init; } = new Dictionary<string, string>();

    /// <summary>All that has needs.</summary>
    internal IEnumerable<SavedRegistration> WithNeeds => Registrations.Concat(EntryPoints);

    /// <summary>Reads a wiring. Nothing is constructed, and faults do not matter.</summary>
    /// <param name="name">What the wiring is called.</param>
    /// <param name="wiring">The wiring.</param>
    /// <returns>What it means.</returns>
    /// <exception cref="ArgumentNullException">An argument is null.</exception>
    public static SavedGraph Of(string name, Wiring wiring) => Of(name, wiring, []);

    /// <summary>Reads a wiring, and the entry points that resolve services from outside it. Nothing is constructed, and faults do not
    /// matter.</summary>
    /// <param name="name">What the wiring is called.</param>
    /// <param name="wiring">The wiring.</param>
    /// <param name="entryPoints">The entry points that resolve services, such as endpoints.</param>
    /// <returns>What it means.</returns>
    /// <exception cref="ArgumentNullException">An argument is null.</exception>
    public static SavedGraph Of(string name, Wiring wiring, IReadOnlyCollection<EntryPoint> entryPoints)
    {
        ArgumentNullException.ThrowIfNull(name);
        ArgumentNullException.ThrowIfNull(wiring);
        ArgumentNullException.ThrowIfNull(entryPoints);
        ServiceGraph graph = wiring.ReadGraph(entryPoints);
        return new GraphSaver(graph).Save(name);
    }

    /// <summary>The short name of a type, as messages write it.</summary>
    /// <param name="type">The full name.</param>
    /// <returns>The short name; the full one where none is known.</returns>
    public string NameOf(string type) => Names.TryGetValue(type, out string? name) ? name : type;
}
