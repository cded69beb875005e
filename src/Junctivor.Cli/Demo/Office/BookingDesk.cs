namespace Junctivor.Cli.Demo.Office;

internal sealed record BookingDesk(
    Caller Caller, IBerthLedger Ledger, BerthPlanner Planner, FeeCalculator Fees, NoticeDesk Notices, DutyRoster Roster);
