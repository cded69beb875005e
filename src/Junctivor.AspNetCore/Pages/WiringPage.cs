using System.Reflection;
using Junctivor.Pages;
using Junctivor.Reports.Recording;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Routing;

namespace Junctivor;

/// <summary>A page that shows the wiring of a running application, and what each request creates.</summary>
public static class WiringPage
{
    /// <summary>
    /// Maps a page that shows the wiring of a container, live: how often each service was created, the last hundred scopes, and what was
    /// created and shared in each. It shows types, numbers and times, and no data of the application. In the Development environment
    /// anybody may open it; elsewhere it is refused with status 403, unless it requires an authorization policy:
    /// <c>app.MapWiringPage("/wiring", container).RequireAuthorization("staff")</c>. While the page is closed, nothing is recorded;
    /// while it is open, the container creates instances step by step, which is slower.
    /// </summary>
    /// <param name="routes">The routes to add it to: the application, or a group of routes.</param>
    /// <param name="pattern">Where the page is, such as <c>/wiring</c>; its events are below that.</param>
    /// <param name="container">The container. Its branches are not shown.</param>
    /// <returns>What its endpoints can be configured by.</returns>
    /// <exception cref="ArgumentNullException">An argument is null.</exception>
    public static IEndpointConventionBuilder MapWiringPage(this IEndpointRouteBuilder routes, string pattern, Container container)
    {
        ArgumentNullException.ThrowIfNull(routes);
        ArgumentNullException.ThrowIfNull(pattern);
        ArgumentNullException.ThrowIfNull(container);
        LiveRecording recording = new(Assembly.GetEntryAssembly()?.GetName().Name ?? "wiring", container);
        RouteGroupBuilder group = routes.MapGroup(pattern);
        group.MapGet("", context => LivePage.WriteAsync(context, recording))
            .Finally(endpoint => Admission.Restrict(endpoint, pattern, isLogged: true));
        group.MapGet("/events", context => LivePage.WriteEventsAsync(context, recording))
            .Finally(endpoint => Admission.Restrict(endpoint, pattern, isLogged: false));
        return group;
    }
}
