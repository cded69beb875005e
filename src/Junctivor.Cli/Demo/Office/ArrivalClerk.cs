namespace Junctivor.Cli.Demo.Office;

internal sealed record ArrivalClerk(IBerthLedger Ledger, NoticeDesk Notices, IClock Clock);
