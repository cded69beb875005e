using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.Primitives;

namespace Junctivor.Endpoints;

/// <summary>
/// A source of endpoints that builds them once for the check and for the server: a handler takes a while to build, and the host would
/// build it for each of them. Until they are checked it keeps nothing, as more may be mapped. Safe for use by several threads.
/// </summary>
/// <param name="inner">The source of the host.</param>
internal sealed class BuiltEndpointSource(EndpointDataSource inner) : EndpointDataSource
{
    /// <summary>The sources of handlers and of groups: the others of the framework keep what they have built.</summary>
    private static readonly string[] BuildingAnew = ["RouteEndpointDataSource", "GroupEndpointDataSource"];

    private volatile Built? _built;

    /// <summary>The source of the host.</summary>
    public EndpointDataSource Inner => inner;

    public override IReadOnlyList<Endpoint> Endpoints => _built is { Token.HasChanged: false } built ? built.Endpoints : inner.Endpoints;

    /// <summary>Puts these in the place of sources of handlers, which build them anew each time.</summary>
    public static void Wrap(ICollection<EndpointDataSource> sources)
    {
        if (sources is IList<EndpointDataSource> { IsReadOnly: false } list)
        {
            for (int number = 0; number < list.Count; number++)
            {
                if (BuildingAnew.Contains(list[number].GetType().Name))
                {
                    list[number] = new BuiltEndpointSource(list[number]);
                }
            }
        }
    }

    /// <summary>Builds the endpoints, and keeps them.</summary>
    public IReadOnlyList<Endpoint> Build()
    {
        IChangeToken token = inner.GetChangeToken();
        Built built = new(inner.Endpoints, token);
        _built = built;
        return built.Endpoints;
    }

    public override IChangeToken GetChangeToken() => inner.GetChangeToken();

    public override IReadOnlyList<Endpoint> GetGroupedEndpoints(RouteGroupContext context) => inner.GetGroupedEndpoints(context);

    private sealed record Built(IReadOnlyList<Endpoint> Endpoints, IChangeToken Token);
}
