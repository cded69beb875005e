using Junctivor;
using Serilog;

namespace Harbour.Shifts;

/// <summary>The module of the duty shifts: each is a session that the requests of its hours visit.</summary>
public static class ShiftWiring
{
    private static readonly TimeSpan UntilHandedOver = TimeSpan.FromHours(1);

    public static Wiring Wiring =>
    [
        HarbourLevels.DutyShift.Incoming<Shift>(),
        HarbourLevels.DutyShift.Of<DutyRoster>(),
        Singleton.Of<ShiftPlan>(),
        Singleton.From(
            (Container office, TimeProvider time, ILogger log) => new Sessions(
                office,
                HarbourLevels.DutyShift,
                (shift, failure) =>
                {
                    log.Error(failure, "Disposing the {Shift} failed", shift);
                    return Task.CompletedTask;
                },
                time)
            {
                IdleTimeout = UntilHandedOver,
            })
        .WindDown((shifts, _) => shifts.DisposeAsync())
        .Accept("JV502", reason: "It only starts the scopes of shifts."),
    ];
}
