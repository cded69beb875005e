using Harbour.Ledger;
using Junctivor;
using Microsoft.AspNetCore.Mvc;

namespace Harbour.Night;

/// <summary>GET /invoices</summary>
public sealed class InvoiceEndpoints : IContributesEndpoints
{
    public void Contribute(IEndpointRouteBuilder routes) =>
        routes.MapGet("/invoices", async ([FromServices] IBerthLedger ledger) => Results.Ok(await ledger.InvoicesAsync()));
}
