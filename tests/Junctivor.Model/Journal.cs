namespace Junctivor.Model;

/// <summary>What was created and ended, in order; parts that nobody sees being created have the number 0. It can let one of these moments
/// fail.</summary>
public sealed class Journal
{
    private readonly List<string> _lines = [];
    private readonly List<object> _made = [];
    private readonly List<int> _ended = [];

    /// <summary>Which moment fails, counted from 1; 0 for none.</summary>
    public int FailsAt { get; init; }

    /// <summary>How many moments there were.</summary>
    public int Moments { get; private set; }

    /// <summary>What was created and has to be disposed, and was not ended exactly once; and what was ended and had not to be.</summary>
    public IReadOnlyList<string> Wrong =>
    [
        .. _made.Select((part, place) => (part, number: place + 1))
            .Where(each => _ended.Count(ended => ended == each.number) != (each.part is IDisposable or IAsyncDisposable ? 1 : 0))
            .Select(each => $"{each.part.GetType().Name} {each.number} was ended {_ended.Count(ended => ended == each.number)} times"),
    ];

    /// <summary>The lines since the last call.</summary>
    public string Take()
    {
        string taken = string.Join(" ", _lines);
        _lines.Clear();
        return taken;
    }

    public int Make(string name, object part)
    {
        Pass();
        _made.Add(part);
        _lines.Add($"+{name}.{_made.Count}");
        return _made.Count;
    }

    public void End(string name, int number)
    {
        _lines.Add($"-{name}{(number == 0 ? "" : $".{number}")}");
        _ended.Add(number);
        Pass();
    }

    /// <summary>A moment passes, or fails.</summary>
    /// <exception cref="InjectedFailure">It is the one that fails.</exception>
    public void Pass()
    {
        if (++Moments == FailsAt)
        {
            throw new InjectedFailure();
        }
    }
}
