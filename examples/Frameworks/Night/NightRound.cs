using Frameworks.Data;
using Quartz;

namespace Frameworks.Night;

/// <summary>A job: each run has a scope, and with it a context, of its own.</summary>
public sealed class NightRound(BerthLedger ledger, RoundBook book) : IJob
{
    public async ValueTask Execute(IJobExecutionContext context, CancellationToken cancellationToken) =>
        book.Note(ledger.Context, await ledger.VesselsAsync(cancellationToken));
}
