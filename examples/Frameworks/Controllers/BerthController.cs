using Frameworks.Data;
using Microsoft.AspNetCore.Mvc;

namespace Frameworks.Controllers;

/// <summary>A controller: services by its constructor, and by parameters with <c>[FromServices]</c>.</summary>
[ApiController]
[Route("controlled/berths")]
public sealed class BerthController(BerthLedger ledger) : ControllerBase
{
    [HttpGet]
    public async Task<string> Get([FromServices] HarbourContext context)
    {
        string[] vessels = await ledger.VesselsAsync(HttpContext.RequestAborted);
        return $"{string.Join(", ", vessels)} by one context: {ledger.Context == $"{context.ContextId}"}";
    }
}
