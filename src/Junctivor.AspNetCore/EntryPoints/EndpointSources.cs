using Junctivor.Endpoints;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Routing;

namespace Junctivor.EntryPoints;

/// <summary>Finds what the endpoints of an application are read from.</summary>
internal static class EndpointSources
{
    private const string RoutesInProperties = "__EndpointRouteBuilder";

    public static ICollection<EndpointDataSource> Of(IApplicationBuilder app)
    {
        app.Properties.TryGetValue(RoutesInProperties, out object? mapped);
        if ((app as IEndpointRouteBuilder ?? mapped as IEndpointRouteBuilder) is { } routes)
        {
            BuiltEndpointSource.Wrap(routes.DataSources);
            return routes.DataSources;
        }

        return app.ApplicationServices.GetService(typeof(EndpointDataSource)) is EndpointDataSource all ? [all] : [];
    }
}
