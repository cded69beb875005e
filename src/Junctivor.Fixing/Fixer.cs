using Junctivor.Checks;
using Junctivor.Fixing.Editing;
using Junctivor.Fixing.Sources;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;

namespace Junctivor.Fixing;

/// <summary>
/// Fixes the sources of an assembly, fault by fault. A fix is made only if the program keeps its behavior for certain. After each fix the
/// sources are compiled and checked again; a fix that does not compile, does not end its fault or brings another one is not made.
/// </summary>
internal sealed class Fixer
{
    private readonly Func<CSharpCompilation, IReadOnlyList<(string Wiring, Fault Fault)>> _check;
    private readonly Dictionary<string, FixOutcome> _done = [];

    /// <param name="sources">The sources.</param>
    /// <param name="check">Compiles and checks the wirings of sources.</param>
    public Fixer(CSharpCompilation sources, Func<CSharpCompilation, IReadOnlyList<(string Wiring, Fault Fault)>> check)
    {
        Before = sources;
        After = sources;
        _check = check;
    }

    /// <summary>Whether first fixes are made that are left to be made by hand otherwise, as far as they can be made mechanically.</summary>
    public bool MakesUncertain { get; init; }

    /// <summary>The sources as they were.</summary>
    public CSharpCompilation Before { get; }

    /// <summary>The sources as they are now.</summary>
    public CSharpCompilation After { get; private set; }

    /// <summary>What became of each fault, in the order in which they were tried.</summary>
    public IReadOnlyList<FixOutcome> Done => [.. _done.Values];

    /// <summary>Fixes what it can.</summary>
    /// <param name="isWanted">Selects the faults to fix.</param>
    public void Run(Func<Fault, bool> isWanted)
    {
        IReadOnlyList<(string Wiring, Fault Fault)> found = _check(Before);
        while (found.FirstOrDefault(each => isWanted(each.Fault) && !_done.ContainsKey(KeyOf(each))) is { Fault: not null } next)
        {
            (Fix? made, string? obstacle) = Fix(ref found, next);
            _done.Add(KeyOf(next), new FixOutcome(next.Wiring, next.Fault, made, obstacle));
        }
    }

    /// <summary>The sources with one fix of one fault.</summary>
    /// <param name="sources">The sources.</param>
    /// <param name="fix">The fix.</param>
    /// <param name="target">The fault, with the name of its wiring.</param>
    /// <param name="check">Compiles and checks the wirings of sources.</param>
    /// <exception cref="CannotEditException">It cannot be made, does not end the fault, or brings another one.</exception>
    public static CSharpCompilation With(
        CSharpCompilation sources,
        Fix fix,
        (string Wiring, Fault Fault) target,
        Func<CSharpCompilation, IReadOnlyList<(string Wiring, Fault Fault)>> check) =>
            Make(sources, check(sources), fix, target, check).Item1;

    /// <summary>Makes the first fix of a fault; the next one where that cannot be made, up to one that is left to be made by
    /// hand.</summary>
    private (Fix? Made, string? Obstacle) Fix(
        ref IReadOnlyList<(string Wiring, Fault Fault)> found, (string Wiring, Fault Fault) next)
    {
        string? obstacle = null;
        foreach (Fix fix in next.Fault.Fixes)
        {
            if (fix.ByHandBecause is { } reason
                && !(MakesUncertain && fix.Edits.Count > 0 && (obstacle is null || !fix.ChangesBehavior)))
            {
                obstacle ??= reason;
                break;
            }

            try
            {
                (After, found) = Make(After, found, fix, next, _check);
                return (fix, null);
            }
            catch (CannotEditException problem)
            {
                obstacle ??= problem.Message;
            }
        }

        return (null, obstacle ?? "no fix is known");
    }

    private static (CSharpCompilation, IReadOnlyList<(string Wiring, Fault Fault)>) Make(
        CSharpCompilation sources,
        IReadOnlyList<(string Wiring, Fault Fault)> before,
        Fix fix,
        (string Wiring, Fault Fault) target,
        Func<CSharpCompilation, IReadOnlyList<(string Wiring, Fault Fault)>> check)
    {
        CSharpCompilation changed = SourceEditor.Apply(sources, fix.Edits);
        RefuseUnwritable(sources, changed);
        IReadOnlyList<(string Wiring, Fault Fault)> after = check(changed);
        HashSet<string> known = [.. before.Select(KeyOf)];
        if (after.Any(each => KeyOf(each) == KeyOf(target)))
        {
            throw new CannotEditException("its fix does not end it");
        }

        return after.FirstOrDefault(
            each => !known.Contains(KeyOf(each)) && !WasHidden(target.Fault, each.Fault)) is { Fault: not null } other
            ? throw new CannotEditException($"its fix would bring {other.Fault.Kind}: {other.Fault.Summary}")
            : (changed, after);
    }

    /// <summary>A file that is not written back byte by byte would lose characters that the fix has nothing to do with.</summary>
    private static void RefuseUnwritable(CSharpCompilation before, CSharpCompilation after)
    {
        foreach ((SyntaxTree old, SyntaxTree changed) in before.SyntaxTrees.Zip(after.SyntaxTrees).Where(pair => pair.First != pair.Second))
        {
            if (SourceFile.Write(changed.GetText()) is null)
            {
                throw new CannotEditException($"{Path.GetFileName(old.FilePath)} cannot be written in its encoding");
            }
        }
    }

    /// <summary>
    /// Whether a fault could be found only after another one was fixed, such as whether a service that was missing is held too long.
    /// </summary>
    private static bool WasHidden(Fault target, Fault found) => target.Path.Any(missing => missing.Parameter is not null
        && found.Path.Any(step => step.Parameter == missing.Parameter && step.Name == missing.Name));

    private static string KeyOf((string Wiring, Fault Fault) found) => $"{found.Wiring}\n{found.Fault.Code}\n{found.Fault.Summary}";
}
