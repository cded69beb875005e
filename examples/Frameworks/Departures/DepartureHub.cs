using Frameworks.Data;
using Microsoft.AspNetCore.SignalR;

namespace Frameworks.Departures;

/// <summary>A hub of SignalR: the host creates it, and a hub filter sets its properties for each call.</summary>
public sealed class DepartureHub : Hub
{
    [Inject]
    public BerthLedger Ledger { get; set; } = null!;

    [Inject]
    public Clerk Clerk { get; set; } = null!;

    public async Task<string> Announce(string vessel)
    {
        int berth = await Ledger.EnterAsync(vessel, Context.ConnectionAborted);
        await Clients.All.SendAsync("departed", $"{vessel} from berth {berth}");
        return $"{Clerk.Name}: {vessel} leaves berth {berth}, by context {Ledger.Context}";
    }
}
