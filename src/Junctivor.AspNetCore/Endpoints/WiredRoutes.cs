using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Routing;

namespace Junctivor.Endpoints;

/// <summary>Starts groups of routes for endpoints whose parameters may be services of a container.</summary>
internal static class WiredRoutes
{
    /// <summary>Starts a group on the framework's own routes, which take their provider from an application builder: so it is one of ours
    /// that is asked what is a service. The endpoints belong to the outer routes.</summary>
    /// <param name="outer">The routes of the application, or of a group.</param>
    /// <param name="provider">What is asked.</param>
    /// <param name="prefix">What the paths start with.</param>
    public static RouteGroupBuilder Group(IEndpointRouteBuilder outer, IServiceProvider provider, string prefix)
    {
        RouteGroupBuilder group = null!;
        new ApplicationBuilder(provider).UseRouting().UseEndpoints(routes =>
        {
            group = routes.MapGroup(prefix);
            foreach (EndpointDataSource source in routes.DataSources)
            {
                outer.DataSources.Add(new BuiltEndpointSource(source));
            }

            // Else they would be added to those of the host a second time.
            routes.DataSources.Clear();
        });
        return group;
    }
}
