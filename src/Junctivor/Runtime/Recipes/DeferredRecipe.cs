using Junctivor.Graph;

namespace Junctivor.Runtime;

/// <summary>Creates a wrapper that comes to the service later. The plan below is resolved then, as it may lie on a cycle.</summary>
internal sealed class DeferredRecipe(DeferredForm form, WrapperFactory wrappers, Lazy<Plan> planBelow) : Recipe
{
    /// <summary>What was created last for somebody in the container, where it would be the same again and again; a scope is not
    /// held.</summary>
    private Way? _inContainer;

    public override object Construct(in ResolutionContext surroundings, object?[] arguments)
    {
        object path = WayFrom(surroundings.Home, surroundings.Consumer);
        return form.KeepsFirst ? wrappers.Lazy(path) : path;
    }

    /// <summary>A function or a <c>FreshScope</c>, which keeps nothing of its own and so can serve several.</summary>
    private object WayFrom(Resolver home, Type? consumer)
    {
        if (_inContainer is { } known && known.Home == home && known.Consumer == consumer)
        {
            return known.Wrapper;
        }

        object created = form.StartsScope
            ? wrappers.FreshScope(home, planBelow, consumer)
            : wrappers.Func(home, planBelow, consumer);
        if (home is Container)
        {
            _inContainer = new Way(home, consumer, created);
        }

        return created;
    }

    private sealed record Way(Resolver Home, Type? Consumer, object Wrapper);
}
