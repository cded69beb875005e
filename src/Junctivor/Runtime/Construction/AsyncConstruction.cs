using System.Diagnostics;
using Junctivor.Graph;
using Junctivor.Reading;
using Junctivor.Registering;

namespace Junctivor.Runtime;

/// <summary>Creates what must be awaited: before work begins, or before a scope is handed out.</summary>
internal static class AsyncConstruction
{
    /// <summary>Creates it unless it is there, and keeps it in its home.</summary>
    /// <exception cref="ConstructionException">User code threw.</exception>
    /// <exception cref="ObjectDisposedException">The home ended meanwhile; what came of it is disposed too.</exception>
    public static async Task CreateAsync(Node node, Resolver home, CancellationToken cancellationToken)
    {
        PlanCache plans = home.Plans;
        Plan plan = plans.PlanOf(node);
        if (home.Find(plan.Slot) is not null)
        {
            return;
        }

        object?[] arguments = Construction.Gather(plan.Gathering!, home, cancellationToken, out OwnedSlice gathered);
        OwnedSlice owned = gathered;
        try
        {
            object instance = await CallAsync(plans, node, home, arguments).ConfigureAwait(false);
            home.Store.TakeOver();
            if (plan.IsOwned && OwnedInstance.Of(instance) is { } created)
            {
                owned = With(gathered, created);
            }

            if (!home.Store.Keep(plan, instance, owned, null))
            {
                throw home.DisposedException();
            }
        }
        catch (Exception failure)
        {
            DisposalFailures.Add(
                failure, await Disposal.DisposeAsync(new OwnedSlice(owned.Reversed()), home).ConfigureAwait(false));
            throw;
        }
    }

    private static OwnedSlice With(OwnedSlice gathered, OwnedInstance created)
    {
        OwnedInstance[] all = new OwnedInstance[gathered.Count + 1];
        gathered.CopyTo(all, 0);
        all[^1] = created;
        return new OwnedSlice(all);
    }

    private static async Task<object> CallAsync(PlanCache plans, Node node, Resolver home, object?[] arguments)
    {
        ContainerObservers? watch = home.Observers.IsOn ? home.Observers : null;
        long started = watch is null ? 0 : Stopwatch.GetTimestamp();
        try
        {
            object created = await ((InstanceSource.OfAsyncFactory)WiringReader.SourceOf(node)).Call(arguments).ConfigureAwait(false)
                ?? throw new InvalidOperationException($"The factory of {node.Name} returned null; a factory must return an instance.");
            watch?.Constructed(node, created, home, started, arguments, null);
            return created;
        }
        catch (Exception failure) when (failure is not OperationCanceledException)
        {
            watch?.NotConstructed(node, failure, home, started, arguments, null);
            throw new ConstructionException(new Checks.FaultPath(plans.Graph).Node(node).Path, failure);
        }
    }
}
