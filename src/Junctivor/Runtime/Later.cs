using System.Runtime.CompilerServices;
using Junctivor.Plans;

namespace Junctivor.Runtime;

/// <summary>What a wrapper comes to later: a service, in the container or scope that the holder of the wrapper lives in, or in one inside.</summary>
/// <param name="home">Where the holder lives.</param>
/// <param name="planBelow">The plan of the service. It is asked for at the first use only, as it may lie on a ring.</param>
/// <param name="consumer">The class of the holder; null from outside.</param>
internal sealed class Later(Resolver home, Lazy<Plan> planBelow, Type? consumer)
{
    private Plan? _plan;

    public Resolver Home => home;

    /// <summary>Gives the service where the holder lives.</summary>
    public object Get() => Get(home);

    /// <remarks>It is compiled at once and as well as can be: what its first calls do, when there is no code yet, says nothing of later ones.</remarks>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    public object Get(Resolver asked)
    {
        if (asked.IsEnded || asked.Root.IsEnded || _plan is not { } plan)
        {
            return GetFirst(asked);
        }

        return plan.MakeAtOnce(asked) ?? GetFirst(asked);
    }

    private object GetFirst(Resolver asked)
    {
        asked.ThrowIfEnded();
        Plan plan = _plan ??= planBelow.Value;
        return plan.Ready ?? Construction.Run(plan, asked, consumer);
    }
}
