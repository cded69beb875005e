using Frameworks.Data;

namespace Frameworks.Night;

/// <summary>A job: each run has a scope, and with it a context, of its own. The scheduler awaits it.</summary>
public sealed class NightRound(BerthLedger ledger, RoundBook book)
{
    public async Task RunAsync(CancellationToken stopping) => book.Note(ledger.Context, await ledger.VesselsAsync(stopping));
}
