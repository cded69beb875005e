using Junctivor;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Routing;

namespace Harbour.Flags;

/// <summary>GET /flags</summary>
public sealed class FlagEndpoints(FlagMast mast) : IContributesEndpoints
{
    public void Contribute(IEndpointRouteBuilder routes) => routes.MapGet("/flags", () => Results.Ok(mast.Flags));
}
