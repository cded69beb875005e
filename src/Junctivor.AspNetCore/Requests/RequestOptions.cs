using Microsoft.AspNetCore.Http;

namespace Junctivor;

/// <summary>Further values and sessions for the scopes of requests. Immutable.</summary>
/// <example>
/// <code>
/// app.UseJunctivor(container, new RequestOptions
/// {
///     IncomingFor = context => [Incoming.Value(CallerOf(context))],
///     Sessions = sessions,
///     SessionKey = context => context.Request.Cookies["visitor"],
/// });
/// </code>
/// </example>
public sealed record RequestOptions
{
    /// <summary>
    /// Returns the values that the wiring declares with <c>Scoped.Incoming</c>, in addition to those that are supplied automatically; none
    /// by default.
    /// </summary>
    public Func<HttpContext, Incoming[]> IncomingFor { get; init; } = _ => [];

    /// <summary>
    /// Whether it is checked, before the server listens, that the wiring provides what endpoints, filters, controllers, pages, views and
    /// hubs require; true by default. What is built for the check is kept for the server, so map all endpoints before the application
    /// starts.
    /// </summary>
    public bool ChecksEndpoints { get; init; } = true;

    /// <summary>The sessions in which the scopes of requests are started; null by default, for none.</summary>
    public Sessions? Sessions { get; init; }

    /// <summary>Returns the key of the session of a request; null, the default, for a scope without a session.</summary>
    public Func<HttpContext, string?> SessionKey { get; init; } = _ => null;

    /// <summary>
    /// Returns the values that the wiring declares with the <c>Incoming</c> of the session's level; none by default. Called only when a
    /// session is started.
    /// </summary>
    public Func<HttpContext, Incoming[]> SessionIncomingFor { get; init; } = _ => [];
}
