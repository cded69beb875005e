namespace Junctivor.Cli.Demo.Office;

internal interface IBerthLedger;
