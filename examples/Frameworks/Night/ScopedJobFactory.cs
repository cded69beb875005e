using Quartz;
using Quartz.Extensibility;

namespace Frameworks.Night;

/// <summary>Lends a job to the scheduler, which asks for it by its type; its scope ends when the scheduler has returned it.</summary>
public sealed class ScopedJobFactory(Container container) : IJobFactory
{
    public async ValueTask<JobScope> CreateJob(TriggerFiredBundle bundle, IScheduler scheduler, CancellationToken cancellationToken)
    {
        Loan<object> loan = await container.LendAsync(bundle.JobDetail.JobType.Type, cancellationToken);
        return new JobScope((IJob)loan.Value, loan);
    }

    public ValueTask ReturnJob(JobScope scope, CancellationToken cancellationToken) => ((Loan<object>)scope.State!).DisposeAsync();
}
