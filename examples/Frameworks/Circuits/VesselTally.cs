namespace Frameworks.Circuits;

/// <summary>How many vessels there are: one tally for all browsers.</summary>
public sealed class VesselTally
{
    private int _vessels;
    private int _clerks;

    public event Action? Changed;

    public int Vessels => _vessels;

    public int Clerks => _clerks;

    /// <summary>A clerk comes, or leaves.</summary>
    public void Count(int clerks)
    {
        Interlocked.Add(ref _clerks, clerks);
        Changed?.Invoke();
    }

    public int Add()
    {
        int number = Interlocked.Increment(ref _vessels);
        Changed?.Invoke();
        return number;
    }
}
