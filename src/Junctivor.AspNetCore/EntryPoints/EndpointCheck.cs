using Junctivor.Endpoints;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.Hosting;

namespace Junctivor.EntryPoints;

/// <summary>Checks once, before the server listens, whether the container provides what the endpoints of an application require.</summary>
/// <param name="app">The application.</param>
/// <param name="container">The container.</param>
internal sealed class EndpointCheck(IApplicationBuilder app, Container container)
{
    private const string RoutesInProperties = "__EndpointRouteBuilder";

    private int _hasRun;

    /// <summary>The check before the warm-up, where the host is the application itself, so that its endpoints are all mapped.</summary>
    /// <returns>The report; null if the host is another one, or the check was made before.</returns>
    /// <exception cref="EndpointException">The endpoints require what they cannot have.</exception>
    public CheckReport? BeforeWarmUp(IHost host) => ReferenceEquals(host, app) ? Run() : null;

    /// <summary>The check when the host puts its middleware together, right before it listens; nothing, if it was made before.</summary>
    /// <exception cref="EndpointException">The endpoints require what they cannot have.</exception>
    public CheckReport? Run()
    {
        if (Interlocked.Exchange(ref _hasRun, 1) == 1)
        {
            return null;
        }

        EndpointReader reader = new(app.ApplicationServices, container);
        reader.Read(Sources());
        CheckReport report = container.Check(reader.EntryPoints);
        return report.IsSound && reader.Problems.Count == 0
            ? report
            : throw new EndpointException(reader.Problems, container.Check(reader.WithPlaces()));
    }

    private ICollection<EndpointDataSource> Sources()
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
