using Microsoft.AspNetCore.Routing;

namespace Junctivor;

/// <summary>Adds the endpoints of the modules of a wiring.</summary>
public static class WiredEndpoints
{
    /// <summary>Adds the endpoints of every registered <see cref="IContributesEndpoints"/>, in the order of registration.</summary>
    /// <param name="routes">The routes to add them to: the application, or a group of routes.</param>
    /// <param name="container">The container.</param>
    /// <returns>The same routes.</returns>
    /// <exception cref="ArgumentNullException">An argument is null.</exception>
    /// <exception cref="ResolveException">One of them needs a scope (JV302): take scoped services as parameters of the endpoints
    /// instead.</exception>
    /// <exception cref="ConstructionException">A constructor threw.</exception>
    /// <exception cref="ObjectDisposedException">The container is disposed.</exception>
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
