using Harbour.Ledger;
using Junctivor;

namespace Harbour.Night;

/// <summary>GET /invoices</summary>
public sealed class InvoiceEndpoints : IContributesEndpoints
{
    public void Contribute(IEndpointRouteBuilder routes) =>
        routes.MapGet("/invoices", async (IBerthLedger ledger) => Results.Ok(await ledger.InvoicesAsync()));
}
