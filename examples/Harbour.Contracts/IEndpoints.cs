using Microsoft.AspNetCore.Routing;

namespace Harbour.Contracts;

/// <summary>Endpoints that somebody contributes; the office maps all that it finds.</summary>
public interface IEndpoints
{
    void Map(IEndpointRouteBuilder routes);
}
