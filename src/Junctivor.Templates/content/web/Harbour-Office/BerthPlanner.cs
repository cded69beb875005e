namespace Harbour_Office;

/// <summary>Gives each vessel a berth.</summary>
public sealed partial class BerthPlanner(BerthLedger ledger, ILogger<BerthPlanner> log)
{
    public string Plan(string vessel)
    {
        int berth = ledger.Enter(vessel);
        Given(log, vessel, berth);
        return $"{vessel} gets berth {berth}.";
    }

    [LoggerMessage(Level = LogLevel.Information, Message = "{Vessel} gets berth {Berth}")]
    private static partial void Given(ILogger log, string vessel, int berth);
}
