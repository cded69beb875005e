namespace Harbour.Shifts;

/// <summary>A duty shift: which one, and of which day.</summary>
public sealed record Shift(string Name, DateOnly Day)
{
    public override string ToString() => $"{Name} of {Day:yyyy-MM-dd}";
}
