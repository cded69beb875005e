using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using Junctivor.Registering;

namespace Junctivor.Reports.Wirings;

/// <summary>The wirings of an assembly that have <see cref="CheckedWiringAttribute"/>, by name.</summary>
internal sealed class CheckedWirings
{
    private readonly IReadOnlyList<MarkedWiring> _marked;

    private CheckedWirings(IReadOnlyList<MarkedWiring> marked) => _marked = marked;

    public IEnumerable<string> Names => _marked.Select(each => each.Name);

    /// <exception cref="UnreadableWiringException">The assembly cannot be loaded whole.</exception>
    [RequiresUnreferencedCode(TrimmingReasons.Scanning)]
    public static CheckedWirings In(Assembly assembly) => new(Read(() => MarkedWiring.In(assembly)));

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
