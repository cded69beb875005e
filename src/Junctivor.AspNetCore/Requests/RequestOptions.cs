using Microsoft.AspNetCore.Http;

namespace Junctivor;

/// <summary>What else the scope of a request is started with. Immutable.</summary>
/// <example>
/// <code>
/// app.UseJunctivor(container, new RequestOptions
/// {
///     Incoming = context => [Incoming.Value(CallerOf(context))],
///     Sessions = sessions,
///     SessionKey = context => context.Request.Cookies["visitor"],
/// });
/// </code>
/// </example>
public sealed record RequestOptions
{
    /// <summary>
    /// The values that the wiring promises with <c>Scoped.Incoming</c>, beside those that are handed over by themselves; none by default.
    /// </summary>
    public Func<HttpContext, Incoming[]> Incoming { get; init; } = _ => [];

    /// <summary>Where a request enters the session that its scope is started in; null, the default, where there are no sessions.</summary>
    public Sessions? Sessions { get; init; }

    /// <summary>The key of the session of a request; null, as by default, where it has none and its scope starts from the container.</summary>
    public Func<HttpContext, string?> SessionKey { get; init; } = _ => null;

    /// <summary>
    /// The values that the wiring promises with the <c>Incoming</c> of the session's level; none by default. They are asked for where a session
    /// starts, and not by a request that enters one which is there.
    /// </summary>
    public Func<HttpContext, Incoming[]> SessionIncoming { get; init; } = _ => [];
}
