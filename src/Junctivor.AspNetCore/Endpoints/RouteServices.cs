using System.Text.Json.Serialization;
using Junctivor.EntryPoints;

namespace Junctivor.Endpoints;

/// <summary>
/// What the host asks when it builds an endpoint: whether a type is a service. Everything else is answered by the host's own provider.
/// </summary>
/// <param name="host">The host's own provider.</param>
/// <param name="container">The container.</param>
internal sealed class RouteServices(IServiceProvider host, Container container) : IServiceProvider, IServiceProviderIsKeyedService
{
    private readonly ServiceLookup _known = new(host, container);

    public object? GetService(Type serviceType) =>
        ServiceLookup.IsCheck(serviceType)
            ? this
            : host.GetService(serviceType);

    /// <summary>A service is what the wiring or the host provides; and what nobody could read from a request, so that the check says that
    /// it is missing.</summary>
    public bool IsService(Type serviceType)
    {
        WiredEndpoint? endpoint = WiredEndpoint.Current;
        bool isService = _known.IsService(serviceType) || IsNoBody(serviceType) || endpoint?.CanHaveBody == false;
        if (isService)
        {
            endpoint?.AddService(serviceType);
        }

        return isService;
    }

    public bool IsKeyedService(Type serviceType, object? serviceKey) => _known.IsKeyedService(serviceType, serviceKey);

    /// <summary>Whether no text can become one: an interface or abstract class of the user's, which does not say how it is read.</summary>
    private static bool IsNoBody(Type type) =>
        (type.IsInterface || type.IsAbstract)
        && type.Namespace?.StartsWith("System", StringComparison.Ordinal) != true
        && !type.IsDefined(typeof(JsonDerivedTypeAttribute), inherit: false)
        && !type.IsDefined(typeof(JsonPolymorphicAttribute), inherit: false)
        && !type.IsDefined(typeof(JsonConverterAttribute), inherit: false);
}
