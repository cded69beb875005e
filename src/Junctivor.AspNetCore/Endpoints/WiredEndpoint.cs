using System.Reflection;
using Junctivor.EntryPoints;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.AspNetCore.Routing;

namespace Junctivor.Endpoints;

/// <summary>
/// What is known of an endpoint in a group of <c>MapWired</c>: in its metadata. The host builds an endpoint in one go, and asks on the way
/// which of its parameters are services; so the one that is being built is known by the thread.
/// </summary>
/// <param name="container">The container that serves it.</param>
/// <param name="canHaveBody">Whether its requests may have a body.</param>
internal sealed class WiredEndpoint(Container container, bool canHaveBody)
{
    private static readonly string[] MethodsWithoutBody =
        [HttpMethods.Get, HttpMethods.Delete, HttpMethods.Head, HttpMethods.Options, HttpMethods.Trace, HttpMethods.Connect];

    private readonly HashSet<Type> _services = [];

    /// <summary>The one that this thread builds.</summary>
    [field: ThreadStatic]
    public static WiredEndpoint? Current { get; private set; }

    public Container Container { get; } = container;

    public bool CanHaveBody { get; } = canHaveBody;

    /// <summary>The classes of its filters.</summary>
    public IReadOnlyList<Type> Filters { get; private set; } = [];

    /// <summary>The method that handles its requests; null if the host knows none.</summary>
    private MethodInfo? Handler { get; set; }

    /// <summary>Follows the endpoints of a group while they are built.</summary>
    public static void Follow(RouteGroupBuilder group, Container container)
    {
        IEndpointConventionBuilder conventions = group;
        conventions.Add(building =>
        {
            WiredEndpoint endpoint = new(container, CanHaveBodyIn(building));
            building.Metadata.Add(endpoint);
            Current = endpoint;
        });
        conventions.Finally(built =>
        {
            if (built.Metadata.OfType<WiredEndpoint>().LastOrDefault() is { } endpoint)
            {
                endpoint.Filters = [.. built.FilterFactories.Select(FilterOf).OfType<Type>()];
                endpoint.Handler = built.Metadata.OfType<MethodInfo>().FirstOrDefault();
                endpoint.HideServices(built.Metadata);
            }

            Current = null;
        });
    }

    /// <summary>Writes down that a parameter of this type is taken from the container or the host.</summary>
    public void AddService(Type type) => _services.Add(type);

    /// <summary>Whether a parameter of this type is a service, as the host was told when it asked.</summary>
    public bool TakesService(Type type) => _services.Contains(type);

    /// <summary>Whether its handler takes nothing where a service is missing. The host requests every service as required that it was told
    /// of when it built the endpoint.</summary>
    public bool MayMiss(Type type) => Handler is not null && TakesService(type)
        && HandlerParameter.AllOf(Handler).Where(parameter => parameter.Type == type).ToList() is { Count: > 0 } taking
        && taking.TrueForAll(parameter => parameter.IsCertainlyOptional());

    /// <summary>The host decides by the same methods whether it infers a body.</summary>
    private static bool CanHaveBodyIn(EndpointBuilder building) =>
        building.Metadata.OfType<IHttpMethodMetadata>().LastOrDefault() is not { } methods
        || !methods.HttpMethods.Any(method => MethodsWithoutBody.Contains(method, StringComparer.OrdinalIgnoreCase));

    /// <summary>The host's descriptions of endpoints ask the host alone what is a service, and would call ours bodies.</summary>
    private void HideServices(IList<object> metadata)
    {
        foreach (IParameterBindingMetadata service in metadata.OfType<IParameterBindingMetadata>()
            .Where(binding => TakesService(binding.ParameterInfo.ParameterType)).ToList())
        {
            metadata.Remove(service);
        }
    }

    /// <summary>The class of a filter stands in no metadata: only in the type arguments of the call that added it.</summary>
    private static Type? FilterOf(Delegate factory) => factory.Method.DeclaringType is { IsConstructedGenericType: true } call
        ? call.GenericTypeArguments.FirstOrDefault(typeof(IEndpointFilter).IsAssignableFrom)
        : null;
}
