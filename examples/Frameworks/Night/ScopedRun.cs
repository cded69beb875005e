namespace Frameworks.Night;

/// <summary>What is scheduled in the place of a job: each run has a scope of its own, and the scheduler awaits its end, too.</summary>
public sealed class ScopedRun<TJob>(FreshScope<TJob> jobs)
    where TJob : class, IScheduledJob
{
    public Task RunAsync(CancellationToken stopping) =>
        jobs.RunAsync(job => job.RunAsync(stopping), cancellationToken: stopping);
}
