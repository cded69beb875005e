namespace Harbour.Office;

public interface ITideTable
{
    /// <summary>Which instance this is.</summary>
    string Badge { get; }

    /// <summary>The tide of a day; null for a day that the table does not know.</summary>
    Tide? Of(DateOnly date);
}
