namespace Frameworks.Circuits;

/// <summary>What one clerk has entered: a list for each browser, as long as its circuit.</summary>
public sealed class ClerkList : IDisposable
{
    private readonly VesselTally _tally;
    private readonly List<string> _vessels = [];

    public ClerkList(VesselTally tally)
    {
        _tally = tally;
        _tally.Count(1);
    }

    public IReadOnlyList<string> Vessels => _vessels;

    public void Enter() => _vessels.Add($"Vessel {_tally.Add()}");

    public void Dispose() => _tally.Count(-1);
}
