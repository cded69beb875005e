using Frameworks.Data;

namespace Frameworks.Night;

/// <summary>A job: each run has a scope, and with it a context, of its own.</summary>
public sealed class NightRound(BerthLedger ledger, RoundBook book) : IScheduledJob
{
    public async Task RunAsync(CancellationToken stopping) => book.Note(ledger.Context, await ledger.VesselsAsync(stopping));
}
