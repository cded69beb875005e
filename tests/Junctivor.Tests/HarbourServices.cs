namespace Junctivor.Tests;

// The harbour office in small, for wirings that tests write.
public interface IClock;

public sealed class SystemClock : IClock;

public sealed class TideClock : IClock;

public interface ITideTable;

public sealed class AlmanacTideTable : ITideTable;

public interface IBerthLedger;

public sealed class MemoryLedger : IBerthLedger;

public sealed class BerthPlanner(IBerthLedger ledger)
{
    public IBerthLedger Ledger { get; } = ledger;
}

public sealed class BookingDesk(IBerthLedger ledger, BerthPlanner planner)
{
    public IBerthLedger Ledger { get; } = ledger;

    public BerthPlanner Planner { get; } = planner;
}

public sealed record Caller(string Name);

public sealed record HarbourSettings(string DataFolder);

public sealed class LedgerFile(string folder)
{
    public string Folder { get; } = folder;
}
