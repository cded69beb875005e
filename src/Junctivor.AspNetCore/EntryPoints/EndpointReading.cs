using Junctivor.EntryPoints;
using Microsoft.AspNetCore.Builder;

namespace Junctivor;

/// <summary>What the endpoints of an application request, for checks that do not start it.</summary>
public static class EndpointReading
{
    /// <summary>
    /// Reads what the host will request for the endpoints that are mapped: handlers, filters, controllers, pages, views, hubs. For
    /// <see cref="CheckedEntryPointsAttribute"/>, and for tests; an application that starts does this by itself. The application is not
    /// started, and does not have to be.
    /// </summary>
    /// <param name="app">The application, with all endpoints mapped.</param>
    /// <param name="container">The container of the wiring. Types that it does not provide and the host does are left out.</param>
    /// <returns>The entry points, with their places in the source where there are symbols.</returns>
    /// <exception cref="ArgumentNullException">An argument is null.</exception>
    /// <exception cref="ObjectDisposedException">The container is disposed.</exception>
    /// <example>
    /// <code>
    /// [CheckedEntryPoints]
    /// public static IReadOnlyList&lt;EntryPoint&gt; Endpoints(Container container)
    /// {
    ///     WebApplication app = WebApplication.CreateBuilder().Build();
    ///     app.MapWiredEndpoints(container);
    ///     return app.ReadEntryPoints(container);
    /// }
    /// </code>
    /// </example>
    public static IReadOnlyList<EntryPoint> ReadEntryPoints(this IApplicationBuilder app, Container container)
    {
        ArgumentNullException.ThrowIfNull(app);
        ArgumentNullException.ThrowIfNull(container);
        EndpointReader reader = new(app.ApplicationServices, container);
        reader.Read(EndpointSources.Of(app));
        return reader.WithPlaces();
    }
}
