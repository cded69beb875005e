namespace Junctivor.Cli.Demo.Office;

internal sealed record DepartureDesk(Caller Caller, IBerthLedger Ledger, FeeCalculator Fees, Lazy<PilotOrder> Pilot);
