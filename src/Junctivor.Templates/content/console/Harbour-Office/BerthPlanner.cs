using Junctivor;

namespace Harbour_Office;

/// <summary>Gives each vessel a berth.</summary>
public sealed class BerthPlanner(BerthLedger ledger, TimeProvider time, [Marked("berths")] TextWriter output)
{
    public async Task RunAsync(IReadOnlyList<string> vessels, CancellationToken stop)
    {
        foreach (string vessel in vessels.Count == 0 ? ["Heron"] : vessels)
        {
            stop.ThrowIfCancellationRequested();
            await output.WriteLineAsync($"{time.GetLocalNow():HH:mm} {vessel} gets berth {ledger.Enter(vessel)}.");
        }
    }
}
