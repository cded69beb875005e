namespace Junctivor.Cli.Demo.Office;

internal sealed record BerthPlanner(IBerthLedger Ledger, ITideTable Tides);
