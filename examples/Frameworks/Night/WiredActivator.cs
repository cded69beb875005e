using Hangfire;

namespace Frameworks.Night;

/// <summary>Gives the scheduler its jobs, which it asks for by their types.</summary>
public sealed class WiredActivator(Container container) : JobActivator
{
    public override object ActivateJob(Type jobType) => container.Resolve(jobType);
}
