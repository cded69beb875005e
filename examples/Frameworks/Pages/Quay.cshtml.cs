using Frameworks.Data;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Frameworks.Pages;

/// <summary>A Razor Page: its model takes services by its constructor, and the page with <c>@inject</c>.</summary>
public sealed class QuayModel(BerthLedger ledger) : PageModel
{
    public IReadOnlyList<string> Vessels { get; private set; } = [];

    public async Task OnGetAsync() => Vessels = await ledger.VesselsAsync(HttpContext.RequestAborted);
}
