namespace Junctivor.Cli.Demo.Office;

internal sealed record NightlyInvoicing(FreshScope<InvoiceRun> Run);
