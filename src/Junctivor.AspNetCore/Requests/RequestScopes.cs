using Junctivor.Requests;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Http.Features;

namespace Junctivor;

/// <summary>One scope for each HTTP request.</summary>
public static class RequestScopes
{
    private static readonly RequestOptions NoOptions = new();

    /// <summary>
    /// Starts a scope for each request that comes by, and lets endpoints, controllers, pages and filters take their services from it. The
    /// scope ends when the response is done, also when something throws or the client goes away. <see cref="HttpContext"/>, the caller's
    /// <see cref="System.Security.Claims.ClaimsPrincipal"/> and the <see cref="CancellationToken"/> of the request are handed over where the
    /// wiring promises them with <c>Scoped.Incoming</c>. What the wiring does not know, is asked of the host.
    /// </summary>
    /// <param name="app">The application. Put this behind what answers errors and what authenticates.</param>
    /// <param name="container">The container; it is not ended with the application.</param>
    /// <returns>The same application.</returns>
    /// <exception cref="ArgumentNullException">Something is null.</exception>
    public static IApplicationBuilder UseJunctivor(this IApplicationBuilder app, Container container) => app.UseJunctivor(container, NoOptions);

    /// <inheritdoc cref="UseJunctivor(IApplicationBuilder, Container)"/>
    /// <param name="app">The application. Put this behind what answers errors and what authenticates.</param>
    /// <param name="container">The container; it is not ended with the application.</param>
    /// <param name="incoming">Gives a further value, which the wiring promises with <c>Scoped.Incoming</c>.</param>
    public static IApplicationBuilder UseJunctivor(this IApplicationBuilder app, Container container, Func<HttpContext, Incoming> incoming)
    {
        ArgumentNullException.ThrowIfNull(incoming);
        return app.UseJunctivor(container, new RequestOptions { Incoming = context => [incoming(context)] });
    }

    /// <inheritdoc cref="UseJunctivor(IApplicationBuilder, Container)"/>
    /// <param name="app">The application. Put this behind what answers errors and what authenticates.</param>
    /// <param name="container">The container; it is not ended with the application.</param>
    /// <param name="options">Further values, and sessions.</param>
    public static IApplicationBuilder UseJunctivor(this IApplicationBuilder app, Container container, RequestOptions options)
    {
        ArgumentNullException.ThrowIfNull(app);
        ArgumentNullException.ThrowIfNull(container);
        ArgumentNullException.ThrowIfNull(options);
        RequestStarter starter = new(container, options);
        return app.Use(next => context => starter.RunAsync(context, next));
    }

    /// <summary>Gives the scope of a request: for code that has only the context, and to start scopes within, such as for each message of
    /// a web socket. Endpoints can also take a <see cref="Scope"/> with <c>[FromServices]</c>.</summary>
    /// <param name="context">The context of the request.</param>
    /// <returns>The scope; it ends when the response is done.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="context"/> is null.</exception>
    /// <exception cref="InvalidOperationException">The request has not come by <c>UseJunctivor</c>.</exception>
    public static Scope GetScope(this HttpContext context)
    {
        ArgumentNullException.ThrowIfNull(context);
        return (context.Features.Get<IServiceProvidersFeature>() as RequestScope)?.Scope
            ?? throw new InvalidOperationException("The request has no scope: write app.UseJunctivor(container) before what asks for it.");
    }
}
