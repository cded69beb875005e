using Hangfire;
using Hangfire.InMemory;

namespace Frameworks.Night;

/// <summary>A job scheduler from NuGet: it starts and stops in the background of the program.</summary>
public static class NightWiring
{
    private const string EverySecond = "* * * * * *";
    private static readonly TimeSpan Polling = TimeSpan.FromMilliseconds(200);

    public static Wiring Wiring =>
    [
        Singleton.Of<RoundBook>(),
        Scoped.Of<NightRound>(),
        Singleton.From(() => new InMemoryStorage()).Also<JobStorage>(),
        Transient.Of(typeof(ScopedRun<>), typeof(ScopedRun<>)),
        Singleton.Of<WiredActivator>().Accept("JV502", reason: "It resolves jobs, by their types."),
        Singleton.Of<NightSchedule>().Background((schedule, stopping) => schedule.RunAsync(stopping)),
    ];

    private sealed class NightSchedule(JobStorage storage, WiredActivator jobs)
    {
        public async Task RunAsync(CancellationToken stopping)
        {
            new RecurringJobManager(storage).AddOrUpdate<ScopedRun<NightRound>>(
                "round", run => run.RunAsync(CancellationToken.None), EverySecond);
            using BackgroundJobServer server =
                new(new BackgroundJobServerOptions { Activator = jobs, SchedulePollingInterval = Polling }, storage);
            await Task.Delay(Timeout.Infinite, stopping).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
            server.SendStop();
            await server.WaitForShutdownAsync(CancellationToken.None);
        }
    }
}
