using Microsoft.EntityFrameworkCore;

namespace Frameworks.Data;

/// <summary>Enters vessels. It works with the context of its scope: of a request, a job, or a call of a hub.</summary>
public sealed class BerthLedger(HarbourContext context)
{
    /// <summary>Which context this scope has, and how often that came from the pool, for those who want to see it.</summary>
    public string Context { get; } = $"{context.ContextId}";

    public async Task<int> EnterAsync(string vessel, CancellationToken cancellationToken)
    {
        Berth berth = new() { Vessel = vessel };
        context.Berths.Add(berth);
        await context.SaveChangesAsync(cancellationToken);
        return berth.Id;
    }

    public Task<string[]> VesselsAsync(CancellationToken cancellationToken) =>
        context.Berths.OrderBy(berth => berth.Id).Select(berth => berth.Vessel).ToArrayAsync(cancellationToken);
}
