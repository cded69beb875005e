namespace Junctivor.Cli.Demo.Office;

internal sealed record Caller(string Name);

internal sealed record Crew(string Watch);

internal sealed record DutyRoster(Crew Crew, IClock Clock);

internal sealed record BerthPlanner(IBerthLedger Ledger, ITideTable Tides);

internal sealed record BookingDesk(
    Caller Caller, IBerthLedger Ledger, BerthPlanner Planner, FeeCalculator Fees, NoticeDesk Notices, DutyRoster Roster);

internal sealed record ArrivalClerk(IBerthLedger Ledger, NoticeDesk Notices, IClock Clock);

internal sealed record DepartureDesk(Caller Caller, IBerthLedger Ledger, FeeCalculator Fees, Lazy<PilotOrder> Pilot);

internal sealed record InvoiceRun(IBerthLedger Ledger, FeeCalculator Fees);

internal sealed record NightlyInvoicing(FreshScope<InvoiceRun> Run);
