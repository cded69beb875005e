namespace Harbour.Office;

/// <summary>Reads the tides once, and keeps them.</summary>
public sealed class AlmanacTideTable : ITideTable
{
    private readonly Dictionary<DateOnly, Tide> _tides;

    public AlmanacTideTable(HarbourSettings settings, Muster muster)
    {
        Badge = muster.Badge(this);
        _tides = DataFile.Read<Tide[]>(settings, "tides.json").ToDictionary(tide => tide.Date);
    }

    public string Badge { get; }

    public Tide? Of(DateOnly date) => _tides.GetValueOrDefault(date);
}
