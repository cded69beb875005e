using System.Diagnostics.CodeAnalysis;
using Junctivor.Endpoints;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.SignalR;

namespace Junctivor.EntryPoints;

/// <summary>Reads hubs, and the services of gRPC.</summary>
internal static class HubReader
{
    private const string GrpcMethod = "Grpc.AspNetCore.Server.GrpcMethodMetadata";

    public static void Read(Endpoint endpoint, FoundEntryPoints found)
    {
        if (endpoint.Metadata.GetMetadata<HubMetadata>() is { HubType: var hub })
        {
            ReadHub(hub, endpoint.Metadata.GetMetadata<WiredEndpoint>() is not null, found);
        }
    }

    [UnconditionalSuppressMessage("Trimming", "IL2075", Justification = Trimming.KeptByHost)]
    public static void ReadGrpc(Endpoint endpoint, FoundEntryPoints found)
    {
        // This package does not reference that one: its metadata is read by its name.
        foreach (object grpc in endpoint.Metadata.Where(metadata => metadata.GetType().FullName == GrpcMethod))
        {
            if (grpc.GetType().GetProperty("ServiceType")?.GetValue(grpc) is Type service)
            {
                found.AddClass(service.Name, service);
            }
        }
    }

    /// <summary>The host creates hubs, so their constructors are for its own services; a hub filter sets their properties.</summary>
    [UnconditionalSuppressMessage("Trimming", "IL2070", Justification = Trimming.KeptByHost)]
    private static void ReadHub(Type hub, bool isWired, FoundEntryPoints found)
    {
        HandlerParameter[] set = [.. hub.GetProperties()
            .Where(property => property.IsDefined(typeof(InjectAttribute), inherit: true))
            .Select(HandlerParameter.Of)];
        found.Add(hub.Name, hub, set);
        if (set.Length > 0 && !isWired)
        {
            found.AddProblem(
                hub.Name, hub,
                $"{hub.Name} is mapped outside of app.MapWired(container), so nothing sets its property {set[0].Name}",
                $"map it with app.MapWired(container).MapHub<{hub.Name}>(…), and add a WiredHubFilter to the options of SignalR");
        }

        foreach (HandlerParameter parameter in FoundEntryPoints.ConstructorOf(hub) is { } constructor
            ? HandlerParameter.AllOf(constructor)
            : [])
        {
            if (found.Lookup.IsOfWiring(parameter.Type) && !found.Lookup.IsOfHost(parameter.Type))
            {
                found.AddProblem(
                    hub.Name, hub,
                    $"{hub.Name} takes {parameter.Type.Name} {parameter.Name} by its constructor, but the host creates hubs, and has none",
                    $"write [Inject] public {parameter.Type.Name} … {{ get; set; }} in the hub, and add a WiredHubFilter to the options "
                        + "of SignalR");
            }
        }
    }
}
