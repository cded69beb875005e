namespace Junctivor.Cli.Demo.Office;

internal sealed record InvoiceRun(IBerthLedger Ledger, FeeCalculator Fees);
