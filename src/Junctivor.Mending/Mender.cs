using Junctivor.Mending.Editing;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;

namespace Junctivor.Mending;

/// <summary>
/// Mends the sources of an assembly: fault by fault, by the first fix of each. After each fix the sources are compiled and checked
/// again; a fix that does not compile, does not end its fault or brings another one is not made.
/// </summary>
internal sealed class Mender
{
    private readonly Func<CSharpCompilation, IReadOnlyList<(string Wiring, Fault Fault)>> _check;
    private readonly Dictionary<string, Mended> _done = [];

    /// <param name="sources">The sources.</param>
    /// <param name="check">Compiles and checks the wirings of sources.</param>
    public Mender(CSharpCompilation sources, Func<CSharpCompilation, IReadOnlyList<(string Wiring, Fault Fault)>> check)
    {
        Before = sources;
        After = sources;
        _check = check;
    }

    /// <summary>The sources as they were.</summary>
    public CSharpCompilation Before { get; }

    /// <summary>The sources as they are now.</summary>
    public CSharpCompilation After { get; private set; }

    /// <summary>What became of each fault, in the order in which they were tried.</summary>
    public IReadOnlyList<Mended> Done => [.. _done.Values];

    /// <summary>Mends what it can.</summary>
    /// <param name="isWanted">Whether a finding is to be mended.</param>
    public void Run(Func<Fault, bool> isWanted)
    {
        IReadOnlyList<(string Wiring, Fault Fault)> found = _check(Before);
        while (found.FirstOrDefault(each => isWanted(each.Fault) && !_done.ContainsKey(KeyOf(each))) is { Fault: not null } next)
        {
            try
            {
                (After, found) = Mend(found, next);
                _done.Add(KeyOf(next), new Mended(next.Wiring, next.Fault, null));
            }
            catch (CannotEditException problem)
            {
                _done.Add(KeyOf(next), new Mended(next.Wiring, next.Fault, problem.Message));
            }
        }
    }

    private (CSharpCompilation, IReadOnlyList<(string Wiring, Fault Fault)>) Mend(
        IReadOnlyList<(string Wiring, Fault Fault)> before, (string Wiring, Fault Fault) next)
    {
        if (next.Fault.Fixes is not [{ Edits.Count: > 0 } fix, ..])
        {
            throw new CannotEditException("its first fix is to be made by hand");
        }

        CSharpCompilation changed = SourceEditor.Apply(After, fix.Edits);
        IReadOnlyList<(string Wiring, Fault Fault)> after = _check(changed);
        HashSet<string> known = [.. before.Select(KeyOf)];
        if (after.Any(each => KeyOf(each) == KeyOf(next)))
        {
            throw new CannotEditException("its first fix does not end it");
        }

        return after.FirstOrDefault(each => !known.Contains(KeyOf(each))) is { Fault: not null } other
            ? throw new CannotEditException($"its first fix would bring {other.Fault.Kind}: {other.Fault.Summary}")
            : (changed, after);
    }

    private static string KeyOf((string Wiring, Fault Fault) found) => $"{found.Wiring}\n{found.Fault.Code}\n{found.Fault.Summary}";
}
