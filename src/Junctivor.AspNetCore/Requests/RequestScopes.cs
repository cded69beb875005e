using Junctivor.EntryPoints;
using Junctivor.Hosting;
using Junctivor.Requests;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Http.Features;

namespace Junctivor;

/// <summary>One scope for each HTTP request.</summary>
public static class RequestScopes
{
    /// <summary>By its name, so that a program without hubs does not load what they are made of.</summary>
    private const string HubMetadata = "Microsoft.AspNetCore.SignalR.HubMetadata";

    private static readonly RequestOptions NoOptions = new();

    /// <summary>
    /// Starts a scope for each request, from which endpoints, controllers, pages and filters take their services. The scope is disposed
    /// when the response is complete, even when the request throws or the client disconnects. <see cref="HttpContext"/>, the caller's
    /// <see cref="System.Security.Claims.ClaimsPrincipal"/> and the <see cref="CancellationToken"/> of the request are supplied if the
    /// wiring declares them with <c>Scoped.Incoming</c>. Types that the wiring does not provide are requested from the host.
    /// Before the server listens, the wiring is checked together with what the endpoints require: an <see cref="EndpointException"/> has
    /// everything that is missing.
    /// </summary>
    /// <param name="app">The application. Call this after the middleware for errors and authentication.</param>
    /// <param name="container">The container; it is not disposed with the application.</param>
    /// <returns>The same application.</returns>
    /// <exception cref="ArgumentNullException">An argument is null.</exception>
    public static IApplicationBuilder UseJunctivor(this IApplicationBuilder app, Container container) =>
        app.UseJunctivor(container, NoOptions);

    /// <inheritdoc cref="UseJunctivor(IApplicationBuilder, Container)"/>
    /// <param name="app">The application. Call this after the middleware for errors and authentication.</param>
    /// <param name="container">The container; it is not disposed with the application.</param>
    /// <param name="incoming">Returns a further value, which the wiring declares with <c>Scoped.Incoming</c>.</param>
    public static IApplicationBuilder UseJunctivor(this IApplicationBuilder app, Container container, Func<HttpContext, Incoming> incoming)
    {
        ArgumentNullException.ThrowIfNull(incoming);
        return app.UseJunctivor(container, new RequestOptions { IncomingFor = context => [incoming(context)] });
    }

    /// <inheritdoc cref="UseJunctivor(IApplicationBuilder, Container)"/>
    /// <param name="app">The application. Call this after the middleware for errors and authentication.</param>
    /// <param name="container">The container; it is not disposed with the application.</param>
    /// <param name="options">Further values, and sessions.</param>
    public static IApplicationBuilder UseJunctivor(this IApplicationBuilder app, Container container, RequestOptions options)
    {
        ArgumentNullException.ThrowIfNull(app);
        ArgumentNullException.ThrowIfNull(container);
        ArgumentNullException.ThrowIfNull(options);
        RequestStarter starter = new(container, options);
        EndpointCheck check = new(app, container);
        if (options.ChecksEndpoints)
        {
            HostParts.Of(container).AddCheck(check.BeforeWarmUp);
        }

        return app.Use(next =>
        {
            if (options.ChecksEndpoints)
            {
                check.Run();
            }

            return context => starter.RunAsync(context, next);
        });
    }

    /// <summary>The scope of a request: for code that has only the context, and to start inner scopes, such as for each message of
    /// a web socket. Endpoints can also take a <see cref="Scope"/> with <c>[FromServices]</c>.</summary>
    /// <param name="context">The context of the request.</param>
    /// <returns>The scope; it is disposed when the response is complete.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="context"/> is null.</exception>
    /// <exception cref="InvalidOperationException">The request has not passed <c>UseJunctivor</c>.</exception>
    public static Scope GetScope(this HttpContext context)
    {
        ArgumentNullException.ThrowIfNull(context);
        return (context.Features.Get<IServiceProvidersFeature>() as RequestScope)?.Scope
            ?? throw new InvalidOperationException(!IsOfHub(context)
                ? "The request has no scope: call app.UseJunctivor(container) before the middleware that needs it."
                : "This is a connection of a hub. By long polling it outlives its requests, and has no scope: start one for each call, "
                    + "with await container.StartScopeAsync(), or let a WiredHubFilter do so. By web sockets it is one request, and has a "
                    + "scope if app.UseJunctivor(container) is called.");
    }

    private static bool IsOfHub(HttpContext context) =>
        context.GetEndpoint()?.Metadata.Any(metadata => metadata.GetType().FullName == HubMetadata) == true;
}
