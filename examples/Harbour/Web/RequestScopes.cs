using Junctivor;

namespace Harbour.Web;

/// <summary>One scope for each HTTP request.</summary>
public static class RequestScopes
{
    /// <summary>
    /// Starts a scope for each request, hands it what the request brings, and lets the endpoints take their services from
    /// it. The scope ends when the response is done, also when the handler throws or the client goes away.
    /// </summary>
    public static IApplicationBuilder UseRequestScopes(
        this IApplicationBuilder app, Container container, Func<HttpContext, Incoming> incoming) => app.Use(async (context, next) =>
    {
        Scope scope = container.StartScope(incoming(context));
        context.Response.RegisterForDisposeAsync(scope);
        context.RequestServices = new RequestServices(scope.AsServiceProvider(), context.RequestServices);
        await next(context);
    });
}
