using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Junctivor.AspNetCore.Tests.Pages;

public sealed class DeskModel(Desk desk) : PageModel
{
    public Desk Desk { get; } = desk;
}
