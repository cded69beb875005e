using Junctivor.Graph;
using Junctivor.Plans;
using Junctivor.Registering;

namespace Junctivor.Runtime;

/// <summary>Makes what must be awaited: before work begins, or before a scope is handed out.</summary>
internal static class AsyncConstruction
{
    /// <summary>Makes it unless it is there, and keeps it in its home.</summary>
    /// <exception cref="ConstructionException">User code threw.</exception>
    /// <exception cref="ObjectDisposedException">The home ended meanwhile; what came of it has ended too.</exception>
    public static async Task MakeAsync(Node node, Resolver home, CancellationToken cancellation)
    {
        PlanBook book = home.Book;
        Plan plan = book.PlanOf(node);
        if (home.Store.Find(plan.Slot) is not null)
        {
            return;
        }

        object?[] arguments = (object?[])Construction.Run(plan.Gathering!, home, null, [cancellation]);
        object instance = await CallAsync(book, node, arguments).ConfigureAwait(false);
        Owned[] owned = plan.IsOwned && Owned.Of(instance) is { } made ? [made] : [];
        if (!home.Store.Keep(plan, instance, owned))
        {
            await Ending.EndAsync(owned).ConfigureAwait(false);
            throw home.Ended();
        }
    }

    private static async Task<object> CallAsync(PlanBook book, Node node, object?[] arguments)
    {
        try
        {
            return await ((Making.OfAsyncFactory)book.Reader.MakingOf(node)).Call(arguments).ConfigureAwait(false)
                ?? throw new InvalidOperationException($"The factory of {node.Name} gave null; a factory must give an instance.");
        }
        catch (Exception failure) when (failure is not OperationCanceledException)
        {
            throw new ConstructionException(new Checks.Steps(book.Graph).Node(node).Path, failure);
        }
    }
}
