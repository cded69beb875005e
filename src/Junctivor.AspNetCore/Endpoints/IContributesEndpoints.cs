using Microsoft.AspNetCore.Routing;

namespace Junctivor;

/// <summary>
/// Endpoints that a module brings with its wiring: <see cref="WiredEndpoints.MapWiredEndpoints"/> adds those of all that are registered.
/// </summary>
/// <example>
/// <code>
/// public sealed class FlagEndpoints : IContributesEndpoints
/// {
///     public void Contribute(IEndpointRouteBuilder routes) => routes.MapGet("/flags", ([FromServices] FlagMast mast) => mast.Flags);
/// }
///
/// Singleton.Of&lt;IContributesEndpoints, FlagEndpoints&gt;(),
/// </code>
/// </example>
public interface IContributesEndpoints
{
    /// <summary>Adds the endpoints; called once, at the start, outside every request.</summary>
    /// <param name="routes">Where to add them.</param>
    void Contribute(IEndpointRouteBuilder routes);
}
