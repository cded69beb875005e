using Hangfire;

namespace Frameworks.Night;

/// <summary>Lends jobs to the scheduler, which asks for them by their types: each run has a scope, which ends with it.</summary>
public sealed class LendingActivator(Container container) : JobActivator
{
    public override JobActivatorScope BeginScope(JobActivatorContext context) => new Lent(container);

    private sealed class Lent(Container container) : JobActivatorScope
    {
        private Loan<object>? _loan;

        public override object Resolve(Type type) => (_loan = container.Lend(type)).Value;

        // The scheduler asks for nothing asynchronous here; it calls this on a thread of its own.
        public override void DisposeScope() => _loan?.DisposeAsync().AsTask().GetAwaiter().GetResult();
    }
}
