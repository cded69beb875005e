using System.Runtime.CompilerServices;
using Junctivor.Endpoints;
using Microsoft.AspNetCore.Components.Endpoints;
using Microsoft.AspNetCore.Routing;

namespace Junctivor.Circuits;

/// <summary>Finds the container of an application for components: a circuit has no request, but its application has endpoints.</summary>
internal static class CircuitContainers
{
    private static readonly ConditionalWeakTable<EndpointDataSource, Container> ByEndpoints = [];

    /// <exception cref="InvalidOperationException">No components are mapped in a wired group.</exception>
    public static Container Of(EndpointDataSource endpoints) => ByEndpoints.GetValue(endpoints, static all => all.Endpoints
        .Where(endpoint => endpoint.Metadata.GetMetadata<ComponentTypeMetadata>() is not null)
        .Select(endpoint => endpoint.Metadata.GetMetadata<WiredEndpoint>()?.Container)
        .FirstOrDefault(container => container is not null)
        ?? throw new InvalidOperationException(
            "The components are mapped outside of app.MapWired(container), so they have no container: map them with "
                + "app.MapWired(container).MapRazorComponents<App>()."));
}
