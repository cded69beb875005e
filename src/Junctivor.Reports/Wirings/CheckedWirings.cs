using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using Junctivor.Registering;

namespace Junctivor.Reports.Wirings;

/// <summary>The wirings of an assembly that have <see cref="CheckedWiringAttribute"/>, by name.</summary>
internal sealed class CheckedWirings
{
    private readonly IReadOnlyList<MarkedWiring> _marked;
    private readonly IReadOnlyList<MarkedEntryPoints> _entryPoints;

    private CheckedWirings(IReadOnlyList<MarkedWiring> marked, IReadOnlyList<MarkedEntryPoints> entryPoints)
    {
        _marked = marked;
        _entryPoints = entryPoints;
    }

    /// <summary>The names by the members that carry the attribute.</summary>
    public IReadOnlyDictionary<MemberInfo, string> Members => _marked.ToDictionary(each => each.Member, each => each.Name);

    public IEnumerable<string> Names => _marked.Select(each => each.Name);

    /// <summary>What keeps entry points from being checked, whatever the wirings are.</summary>
    public IEnumerable<string> Problems =>
        _marked.Count == 0 ? [] : _entryPoints.Select(each => each.ProblemAmong([.. Names])).OfType<string>();

    /// <exception cref="UnreadableWiringException">The assembly cannot be loaded whole.</exception>
    [RequiresUnreferencedCode(TrimmingReasons.Scanning)]
    public static CheckedWirings In(Assembly assembly) => new(Read(() => MarkedWiring.In(assembly)), MarkedEntryPoints.In(assembly));

    /// <summary>Reads the entry points that resolve services of a wiring; what keeps one from being read does not keep the
    /// others.</summary>
    /// <param name="name">The name of the wiring.</param>
    /// <param name="wiring">The wiring.</param>
    /// <param name="complain">Takes what keeps one from being read.</param>
    public IReadOnlyCollection<EntryPoint> EntryPointsOf(string name, Wiring wiring, Action<string> complain)
    {
        MarkedEntryPoints[] marked =
            [.. _entryPoints.Where(each => each.ProblemAmong([.. Names]) is null && (each.Wiring.Length == 0 || each.Wiring == name))];
        IReadOnlyCollection<EntryPoint> found = [];
        try
        {
            return marked.Length == 0 ? [] : wiring.ReadEntryPoints(
                container => found = [.. marked.SelectMany(each => ReadOrComplain(each, container, complain))]);
        }
        catch (AggregateException failure)
        {
            complain(
                $"what was created to read the entry points of {name} cannot be disposed: {ExceptionText.FirstLineOf(failure.GetBaseException())}");
            return found;
        }
    }

    /// <summary>Runs the code of the wirings of a name, or of all for null.</summary>
    /// <exception cref="UnreadableWiringException">The code throws, or returns no wiring.</exception>
    public IReadOnlyList<(string Name, Wiring Wiring)> Create(string? name) =>
        Read(() =>
            (IReadOnlyList<(string, Wiring)>)[.. _marked.Where(each => name is null || each.Name == name)
                .Select(each => (each.Name, each.Read()))]);

    /// <summary>The same, one by one: what keeps one from being read does not keep the others.</summary>
    public IEnumerable<(string Name, Wiring? Wiring, string? Problem)> TryCreate(string? name)
    {
        foreach (MarkedWiring marked in _marked.Where(each => name is null || each.Name == name))
        {
            Wiring? wiring = null;
            string? problem = null;
            try
            {
                wiring = marked.Read();
            }
            catch (WiringSourceException failure)
            {
                problem = failure.Message;
            }

            yield return (marked.Name, wiring, problem);
        }
    }

    private static IReadOnlyCollection<EntryPoint> ReadOrComplain(MarkedEntryPoints marked, Container container, Action<string> complain)
    {
        try
        {
            return marked.Read(container);
        }
        catch (UnreadableWiringException problem)
        {
            complain(problem.Message);
            return [];
        }
    }

    private static T Read<T>(Func<T> read)
    {
        try
        {
            return read();
        }
        catch (WiringSourceException problem)
        {
            throw new UnreadableWiringException(problem.Message);
        }
    }
}
