namespace Harbour.Office;

/// <summary>Where the office keeps things: known only when the program starts, and so supplied to the container.</summary>
/// <param name="DataFolder">The folder of quays, tides and tariffs.</param>
/// <param name="LedgerPath">The SQLite file of the berth ledger.</param>
/// <param name="IsQuiet">Whether the log keeps to warnings.</param>
public sealed record HarbourSettings(string DataFolder, string LedgerPath, bool IsQuiet = false)
{
    /// <summary>The data that ships with the program.</summary>
    public static string ShippedData => Path.Combine(AppContext.BaseDirectory, "data");
}
