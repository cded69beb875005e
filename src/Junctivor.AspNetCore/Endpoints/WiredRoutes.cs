using System.Collections.ObjectModel;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Routing;

namespace Junctivor.Endpoints;

/// <summary>The routes of an application, for endpoints whose parameters may be services of a container.</summary>
/// <param name="outer">The routes of the application.</param>
/// <param name="container">The container.</param>
internal sealed class WiredRoutes(IEndpointRouteBuilder outer, Container container) : IEndpointRouteBuilder
{
    public IServiceProvider ServiceProvider { get; } = new RouteServices(outer.ServiceProvider, container);

    public ICollection<EndpointDataSource> DataSources { get; } = new BuiltSources(outer.DataSources);

    public IApplicationBuilder CreateApplicationBuilder() => outer.CreateApplicationBuilder();

    /// <summary>Adds every source to the application, too, as one that builds its endpoints once.</summary>
    private sealed class BuiltSources(ICollection<EndpointDataSource> application) : Collection<EndpointDataSource>
    {
        protected override void InsertItem(int index, EndpointDataSource item)
        {
            base.InsertItem(index, item);
            application.Add(new BuiltEndpointSource(item));
        }
    }
}
