using System.Reflection;
using Junctivor.Endpoints;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Http.Metadata;

namespace Junctivor.EntryPoints;

/// <summary>Reads the handlers of minimal endpoints, and their filters.</summary>
internal static class HandlerReader
{
    public static void Read(Endpoint endpoint, string name, FoundEntryPoints found)
    {
        WiredEndpoint? wired = endpoint.Metadata.GetMetadata<WiredEndpoint>();
        if (endpoint.Metadata.GetMetadata<MethodInfo>() is { } handler)
        {
            HandlerParameter[] parameters = [.. HandlerParameter.AllOf(handler)];
            found.Add(name, handler, parameters.Where(parameter => IsService(parameter, wired)));
            if (wired is null && endpoint.Metadata.GetMetadata<IAcceptsMetadata>()?.RequestType is { } body)
            {
                FindServiceInBody(name, handler, parameters.Where(parameter => parameter.Type == body), found);
            }
        }

        foreach (Type filter in wired?.Filters ?? [])
        {
            found.AddClass($"{filter.Name} of {name}", filter, typeof(EndpointFilterFactoryContext));
        }
    }

    private static bool IsService(HandlerParameter parameter, WiredEndpoint? wired) => parameter.IsMarkedAsService
        || (!parameter.IsMarkedAsInput && wired?.TakesService(parameter.Type) == true);

    /// <summary>The host takes for a body what it does not know as a service.</summary>
    public static void FindServiceInBody(
        string name, MethodInfo handler, IEnumerable<HandlerParameter> bodies, FoundEntryPoints found)
    {
        foreach (HandlerParameter body in bodies.Where(parameter =>
            parameter is { IsMarkedAsInput: false, IsMarkedAsService: false } && found.Lookup.IsOfWiring(parameter.Type)))
        {
            found.AddProblem(
                name, handler,
                $"{name} reads {body.Type.Name} {body.Name} from the request body, though the wiring provides it",
                "map the endpoint with app.MapWired(container)",
                $"write [FromServices] {body.Type.Name} {body.Name}",
                $"if the body is meant, write [FromBody] {body.Type.Name} {body.Name}");
        }
    }
}
