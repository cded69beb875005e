using Harbour.Ledger;
using Harbour.Office;
using Junctivor;
using Serilog;

namespace Harbour.Night;

/// <summary>Writes an invoice for every vessel that has left. It lives as long as the office, and so takes a fresh ledger for each
/// run.</summary>
public sealed class NightlyInvoicing(FreshScope<IBerthLedger> ledger, IClock clock, ILogger log)
{
    private static readonly Caller Clerk = new("the night clerk");

    public async Task<IReadOnlyList<Invoice>> RunAsync()
    {
        IReadOnlyList<Invoice> written = await ledger.RunAsync(fresh => fresh.InvoiceAsync(clock.Now), [Incoming.Value(Clerk)]);
        log.Information("{Count} invoices written", written.Count);
        return written;
    }
}
