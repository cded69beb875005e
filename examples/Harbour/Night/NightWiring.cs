using Junctivor;
using Serilog;

namespace Harbour.Night;

/// <summary>The module of the night: the invoicing, and the schedule that it is on.</summary>
public static class NightWiring
{
    private static readonly TimeOnly Round = new(3, 0);

    public static Wiring Wiring =>
    [
        Singleton.Of<NightlyInvoicing>(),
        Singleton.From((Container office, TimeProvider time, ILogger log) =>
            {
                JobSchedule schedule = new(
                    office,
                    (job, failure) =>
                    {
                        log.Error(failure, "{Job} failed", job.Name);
                        return Task.CompletedTask;
                    },
                    time);
                schedule.Daily<NightlyInvoicing>(Round, (invoicing, _) => invoicing.RunAsync());
                return schedule;
            })
            .Background((schedule, stop) => schedule.RunAsync(stop))
            .WindDown((schedule, cancellationToken) => schedule.StopAsync(cancellationToken))
            .Accept("JV502", reason: "It resolves only its jobs."),
        Singleton.Of<IContributesEndpoints, InvoiceEndpoints>(),
    ];
}
