namespace Junctivor.Tests.Interleaving;

/// <summary>The choices of one run, and with them the way to the next one: all of them are tried, depth first.</summary>
/// <param name="mostPreemptions">How often a thread is interrupted that could go on. Two are enough for nearly every mistake.</param>
public sealed class Decisions(int mostPreemptions)
{
    private readonly List<(int Choice, int Choices)> _taken = [];
    private int _next;

    public int MostPreemptions => mostPreemptions;

    /// <summary>How often a run had other choices than the one before it at the same place: something else in the process has changed
    /// meanwhile.</summary>
    public int Divergences { get; private set; }

    /// <summary>Takes a choice: the one that was settled for this place, or else the first.</summary>
    public int Take(int choices)
    {
        if (_next < _taken.Count && _taken[_next].Choices != choices)
        {
            Divergences++;
            _taken.RemoveRange(_next, _taken.Count - _next);
        }

        if (_next == _taken.Count)
        {
            _taken.Add((0, choices));
        }

        return _taken[_next++].Choice;
    }

    /// <summary>Settles the choices for the next run.</summary>
    /// <returns>False if all have been tried.</returns>
    public bool GoOn()
    {
        _next = 0;
        while (_taken.Count > 0)
        {
            (int choice, int choices) = _taken[^1];
            _taken.RemoveAt(_taken.Count - 1);
            if (choice + 1 < choices)
            {
                _taken.Add((choice + 1, choices));
                return true;
            }
        }

        return false;
    }

    public override string ToString() => string.Concat(_taken.Select(each => each.Choice));
}
