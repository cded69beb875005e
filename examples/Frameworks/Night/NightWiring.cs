using Quartz;

namespace Frameworks.Night;

/// <summary>A job scheduler from NuGet: it starts and stops in the background of the program.</summary>
public static class NightWiring
{
    private static readonly TimeSpan Interval = TimeSpan.FromMilliseconds(200);

    public static Wiring Wiring =>
    [
        Singleton.Of<RoundBook>(),
        Scoped.Of<NightRound>(),
        Singleton.Of<ScopedJobFactory>().Background((jobs, stopping) => RunAsync(jobs, stopping))
            .Accept("JV502", reason: "It lends jobs, by their types."),
    ];

    private static async Task RunAsync(ScopedJobFactory jobs, CancellationToken stopping)
    {
        await using IScheduler scheduler = await QuartzSchedulerBuilder.Create(quartz => quartz.UseJobFactory(jobs)).BuildScheduler(stopping);
        await scheduler.ScheduleJob(
            JobBuilder.Create<NightRound>().Build(),
            TriggerBuilder.Create().WithSimpleSchedule(schedule => schedule.WithInterval(Interval).RepeatForever()).Build(),
            cancellationToken: stopping);
        await scheduler.Start(stopping);
        await Task.Delay(Timeout.Infinite, stopping).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
        await scheduler.Shutdown(true, CancellationToken.None);
    }
}
