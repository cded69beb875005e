using System.Runtime.CompilerServices;

namespace Junctivor.Runtime;

/// <summary>What a wrapper comes to later: a service, in the container or scope that the holder of the wrapper lives in, or in one
/// inside.</summary>
/// <param name="home">Where the holder lives.</param>
/// <param name="planBelow">The plan of the service. It is resolved at the first use only, as it may lie on a cycle.</param>
/// <param name="consumer">The class of the holder; null from outside.</param>
internal sealed class DeferredResolution<T>(Resolver home, Lazy<Plan> planBelow, Type? consumer)
    where T : notnull
{
    private Plan? _plan;

    public Resolver Home => home;

    /// <summary>Returns the service where the holder lives.</summary>
    public T Get() => Get(home);

    /// <remarks>It is compiled at once and as well as can be: what its first calls do, when there is no code yet, says nothing of later
    /// ones.</remarks>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    public T Get(Resolver requested)
    {
        requested.ThrowIfDisposed();
        Plan plan = _plan ?? FindPlan();
        return WrapperFactory<T>.As(plan.TryRunCode(requested) ?? GetStepByStep(plan, requested));
    }

    private Plan FindPlan() => _plan = planBelow.Value;

    private object GetStepByStep(Plan plan, Resolver requested) => plan.Get(requested, consumer);
}
