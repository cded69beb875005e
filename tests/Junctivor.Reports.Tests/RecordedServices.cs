namespace Junctivor.Reports.Tests.Recorded;

public interface ILedger;

public interface IFlag;

public sealed record Caller(string Name);

public sealed class Clock;

public sealed class Ledger : ILedger, IDisposable
{
    public Clock? Clock { get; init; }

    public void Dispose()
    {
    }
}

public sealed class Planner(ILedger ledger, Clock clock)
{
    public (ILedger Ledger, Clock Clock) Held => (ledger, clock);
}

public sealed class Desk(Caller caller, Planner planner, ILedger ledger)
{
    public (Caller Caller, Planner Planner, ILedger Ledger) Held => (caller, planner, ledger);
}

public sealed class Broken
{
    public Broken(ILedger ledger) => throw new InvalidOperationException($"a secret of {ledger}");
}

public sealed class Mast : IFlag;

public sealed class Board : IFlag;

public sealed class Roster(IReadOnlyList<IFlag> flags)
{
    public IReadOnlyList<IFlag> Flags => flags;
}

public sealed class Archive(Clock clock)
{
    public Clock Clock => clock;
}

public sealed class Watch(Func<Clock> clock)
{
    public Clock Clock() => clock();
}
