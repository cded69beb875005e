using Microsoft.AspNetCore.Routing;

namespace Junctivor;

/// <summary>
/// Endpoints that a module registers in its wiring: <see cref="WiredEndpoints.MapWiredEndpoints"/> adds those of all modules.
/// </summary>
/// <example>
/// <code>
/// public sealed class FlagEndpoints : IContributesEndpoints
/// {
///     public void Contribute(IEndpointRouteBuilder routes) => routes.MapGet("/flags", (FlagMast mast) => mast.Flags);
/// }
///
/// public static class FlagWiring
/// {
///     public static Wiring Wiring => [Singleton.Of&lt;IContributesEndpoints, FlagEndpoints&gt;(), Singleton.Of&lt;FlagMast&gt;()];
/// }
/// </code>
/// </example>
public interface IContributesEndpoints
{
    /// <summary>Adds the endpoints. Called once, at the start, outside any request.</summary>
    /// <param name="routes">The routes to add them to.</param>
    void Contribute(IEndpointRouteBuilder routes);
}
