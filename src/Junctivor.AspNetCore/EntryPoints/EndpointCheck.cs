using Microsoft.AspNetCore.Builder;
using Microsoft.Extensions.Hosting;

namespace Junctivor.EntryPoints;

/// <summary>Checks once, before the server listens, whether the container provides what the endpoints of an application require.</summary>
/// <param name="app">The application.</param>
/// <param name="container">The container.</param>
internal sealed class EndpointCheck(IApplicationBuilder app, Container container)
{
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
        reader.Read(EndpointSources.Of(app));
        CheckReport report = container.Check(reader.EntryPoints);
        return report.IsSound ? report : throw new EndpointException(container.Check(reader.WithPlaces()));
    }
}
