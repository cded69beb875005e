using System.Runtime.CompilerServices;
using Junctivor.Endpoints;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Routing;

namespace Junctivor;

/// <summary>Endpoints whose handlers take services of a container.</summary>
public static class WiredEndpoints
{
    private static readonly ConditionalWeakTable<Container, object> Contributed = [];

    /// <summary>
    /// Starts a group of endpoints in whose handlers a parameter is a service if the wiring provides its type, without
    /// <c>[FromServices]</c>. A parameter of a type that the wiring provides and that is meant as the body of the request needs
    /// <c>[FromBody]</c>. A parameter that neither the wiring nor the host provides and that cannot come from the request is JV101 when the
    /// application starts. Hubs, controllers and pages can be mapped in the group too.
    /// </summary>
    /// <param name="routes">The routes to add the group to: the application, or another group.</param>
    /// <param name="container">The container that <see cref="RequestScopes.UseJunctivor(IApplicationBuilder, Container)"/> starts the
    /// scopes of requests from.</param>
    /// <param name="prefix">What the paths of all endpoints in the group start with; nothing by default.</param>
    /// <returns>The group.</returns>
    /// <exception cref="ArgumentNullException">An argument is null.</exception>
    /// <example>
    /// <code>
    /// app.UseJunctivor(container);
    /// RouteGroupBuilder routes = app.MapWired(container);
    /// routes.MapGet("/berths/{vessel}", (BerthPlanner planner, string vessel) => planner.Plan(vessel));
    /// </code>
    /// </example>
    public static RouteGroupBuilder MapWired(this IEndpointRouteBuilder routes, Container container, string prefix = "")
    {
        ArgumentNullException.ThrowIfNull(routes);
        ArgumentNullException.ThrowIfNull(container);
        ArgumentNullException.ThrowIfNull(prefix);
        IServiceProvider host = routes.CreateApplicationBuilder().ApplicationServices;
        RouteGroupBuilder group = WiredRoutes.Group(routes, new RouteServices(host, container), prefix);
        WiredEndpoint.Follow(group, container);
        return group;
    }

    /// <summary>Adds the endpoints of every registered <see cref="IContributesEndpoints"/>, in the order of registration, as in a group of
    /// <see cref="MapWired"/>.</summary>
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
        Contributed.TryAdd(container, container);
        IReadOnlyList<IContributesEndpoints> contributing = container.Resolve<IReadOnlyList<IContributesEndpoints>>();
        if (contributing.Count > 0)
        {
            RouteGroupBuilder group = routes.MapWired(container);
            foreach (IContributesEndpoints contributed in contributing)
            {
                contributed.Contribute(group);
            }
        }

        return routes;
    }

    /// <summary>Whether the endpoints of modules were resolved from a container.</summary>
    internal static bool AreMapped(Container container) => Contributed.TryGetValue(container, out _);
}
