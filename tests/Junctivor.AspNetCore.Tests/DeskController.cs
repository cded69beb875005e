using Microsoft.AspNetCore.Mvc;

namespace Junctivor.AspNetCore.Tests;

[Route("controlled")]
public sealed class DeskController(Desk desk) : ControllerBase
{
    [HttpGet]
    public string Answer([FromServices] Ledger ledger) => $"{desk.Answer}, {desk.Ledger == ledger}";
}
