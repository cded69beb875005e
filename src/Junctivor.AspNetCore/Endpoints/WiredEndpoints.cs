using Microsoft.AspNetCore.Routing;

namespace Junctivor;

/// <summary>Adds the endpoints that the modules of a wiring bring.</summary>
public static class WiredEndpoints
{
    /// <summary>Lets every registered <see cref="IContributesEndpoints"/> add its endpoints, in the order in which they are registered.</summary>
    /// <param name="routes">Where to add them: the application, or a group of routes.</param>
    /// <param name="container">The container.</param>
    /// <returns>The same routes.</returns>
    /// <exception cref="ArgumentNullException">Something is null.</exception>
    /// <exception cref="ResolveException">One of them needs a scope (JV302): let it take what it needs in its endpoints.</exception>
    /// <exception cref="ConstructionException">The constructor of one threw.</exception>
    /// <exception cref="ObjectDisposedException">The container has ended.</exception>
    public static IEndpointRouteBuilder MapWiredEndpoints(this IEndpointRouteBuilder routes, Container container)
    {
        ArgumentNullException.ThrowIfNull(routes);
        ArgumentNullException.ThrowIfNull(container);
        foreach (IContributesEndpoints contributed in container.Resolve<IReadOnlyList<IContributesEndpoints>>())
        {
            contributed.Contribute(routes);
        }

        return routes;
    }
}
