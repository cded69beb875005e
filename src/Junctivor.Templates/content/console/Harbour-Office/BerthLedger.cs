namespace Harbour_Office;

/// <summary>Knows which berths are taken. One for each unit of work.</summary>
public sealed class BerthLedger : IDisposable
{
    private readonly List<string> _entered = [];

    public int Enter(string vessel)
    {
        _entered.Add(vessel);
        return _entered.Count;
    }

    public void Dispose() => _entered.Clear();
}
