using System.Globalization;
using System.Text;

namespace Junctivor.Model;

/// <summary>Tells what comes of a wiring when everything is resolved everywhere, again and again: what is made from what, what is one, and
/// what ends when.</summary>
public sealed class Story
{
    /// <summary>Through how many functions, lazies and fresh scopes it is looked, one inside the other: they may go on for ever.</summary>
    private const int Deepest = 2;

    private readonly IRun _run;
    private readonly Journal _journal;
    private readonly StringBuilder _text = new();
    private readonly Dictionary<object, int> _known = new(ReferenceEqualityComparer.Instance);

    private Story(IRun run, Journal journal)
    {
        _run = run;
        _journal = journal;
    }

    public static string Of(IRun run, Journal journal, int turn)
    {
        Story story = new(run, journal);
        story.Tell(turn);
        return story._text.ToString();
    }

    private void Tell(int turn)
    {
        ResolveAll(_run.Root, turn);
        for (int round = 0; round < 3; round++)
        {
            object shift = _run.StartShift(_run.Root);
            ResolveAll(shift, turn + round);
            object request = _run.StartScope(shift, hasValues: true);
            ResolveAll(request, turn);
            object nested = _run.StartScope(request, hasValues: false);
            ResolveAll(nested, turn + 1);
            End(nested);
            End(request);
            object other = _run.StartScope(_run.Root, hasValues: round % 2 == 0);
            ResolveAll(other, turn + 2);
            End(other);
            End(shift);
            ResolveAll(shift, turn);
        }

        ResolveAll(_run.Root, turn + 3);
        End(_run.Root);
        ResolveAll(_run.Root, turn);
    }

    private void ResolveAll(object scope, int turn)
    {
        const int Ways = RandomEntries.Services * 4;
        for (int step = 0; step < Ways; step++)
        {
            int way = (step + (turn * 7)) % Ways;
            int number = way / 4;
            (bool isAlso, string? mark) =
                (way % 4) switch { 0 => (false, null), 1 => (true, null), 2 => (false, "a"), _ => (false, (string?)"b") };
            _text.Append(CultureInfo.InvariantCulture, $"{(isAlso ? "also" : "part")} {number} {mark}: ");
            Show(() => _run.Resolve(scope, number, isAlso, mark), 0);
            EndLine();
        }
    }

    private void End(object scope)
    {
        _text.Append("end: ");
        _run.End(scope);
        EndLine();
    }

    private void EndLine() => _text.Append("   ").Append(_journal.Take()).Append('\n');

    private void Show(Func<object> get, int depth)
    {
        try
        {
            Show(get(), depth);
        }
        catch (Refusal refusal)
        {
            _text.Append(refusal.Code);
        }
    }

    private void Show(object? thing, int depth)
    {
        if (thing is null)
        {
            _text.Append('.');
            return;
        }

        switch (_run.Show(thing))
        {
            case Shown.Part part:
                bool isNew = _known.TryAdd(thing, _known.Count);
                _text.Append(CultureInfo.InvariantCulture, $"{part.Name}#{_known[thing]}");
                if (isNew && part.Needs.Count > 0)
                {
                    Show('(', ')', part.Needs, need => Show(need, depth));
                }

                break;
            case Shown.List list:
                Show('[', ']', list.All, each => Show(each, depth));
                break;
            case Shown.Keyed { All.Count: 0 }:
                _text.Append("[]");
                break;
            case Shown.Keyed keyed:
                Show('{', '}', keyed.All, each =>
                {
                    _text.Append(each.Mark).Append('=');
                    Show(each.Thing, depth);
                });
                break;
            case Shown.Later later when depth < Deepest:
                _text.Append("later:");
                Show(later.Get, depth + 1);
                break;
            case Shown.Fresh fresh when depth < Deepest:
                _text.Append("fresh:");
                try
                {
                    fresh.Run(inner => Show(inner, depth + 1));
                }
                catch (Refusal refusal)
                {
                    _text.Append(refusal.Code);
                }

                break;
            default:
                _text.Append('.');
                break;
        }
    }

    private void Show<T>(char open, char close, IEnumerable<T> all, Action<T> show)
    {
        _text.Append(open);
        bool isFirst = true;
        foreach (T each in all)
        {
            _text.Append(isFirst ? "" : ", ");
            isFirst = false;
            show(each);
        }

        _text.Append(close);
    }
}
