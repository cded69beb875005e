using Harbour.Ledger;
using Harbour.Office;
using Junctivor;

namespace Harbour.Demo;

/// <summary>A wiring as somebody in a hurry might write it.</summary>
internal static class MistakenWiring
{
#pragma warning disable JV101, JV202, JV301 // The compiler finds them; the demo is to show what the start says of them.
    public static Wiring Office =>
    [
        Singleton.Incoming<HarbourSettings>(),
        Scoped.Incoming<Caller>(),
        Singleton.Of<Muster>(),
        Scoped.Of<Visit>(),
        Singleton.From<HarbourSettings, LedgerFile>(LedgerFile.Open),
        Scoped.Of<SqliteBerthLedger>().Also<IBerthLedger>(),

        // A class is registered, but not under the interface that somebody requests.
        Singleton.Of<AlmanacTideTable>(),
        Transient.Of<BerthRequestCheck>(),

        // A long-lived job holds the ledger of one request.
        Singleton.Of<NightlyInvoicing>(),

        // Two clocks, and nobody says which.
        Singleton.Of<IClock, SystemClock>(),
        Singleton.Of<IClock, StoppedClock>(),
        Transient.Of<WatchBell>(),
    ];
#pragma warning restore JV101, JV202, JV301

    private sealed class NightlyInvoicing(IBerthLedger ledger)
    {
        public IBerthLedger Ledger { get; } = ledger;
    }

    private sealed class StoppedClock : IClock
    {
        public DateTimeOffset Now => DateTimeOffset.UnixEpoch;
    }

    private sealed class WatchBell(IClock clock)
    {
        public bool IsNight => clock.Now.Hour is < 6 or > 21;
    }
}
