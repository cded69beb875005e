
namespace Junctivor.EntryPoints;

/// <summary>Who provides a service: the wiring, the host, or nobody. Nothing is created.</summary>
/// <param name="host">The host's own provider.</param>
/// <param name="container">The container.</param>
internal sealed class ServiceLookup(IServiceProvider host, Container container) : IServiceProviderIsKeyedService
{
    private readonly IServiceProviderIsKeyedService? _host =
        host.GetService(typeof(IServiceProviderIsKeyedService)) as IServiceProviderIsKeyedService;

    /// <summary>Whether the host asks for an interface that tells what is a service: this one, or the one that it extends.</summary>
    public static bool IsCheck(Type type) => type.IsInterface && type.IsAssignableFrom(typeof(IServiceProviderIsKeyedService));

    /// <summary>Whether the wiring or the host provides it.</summary>
    public bool IsService(Type serviceType) => IsOfWiring(serviceType) || IsOfHost(serviceType);

    /// <summary>The same for a service with a mark, which the host calls a key.</summary>
    public bool IsKeyedService(Type serviceType, object? serviceKey) =>
        IsOfWiring(serviceType, serviceKey) || IsOfHost(serviceType, serviceKey);

    /// <summary>What is requested by a type: <c>T</c> by <c>T?</c> of a struct.</summary>
    public static Type Requested(Type type) => Nullable.GetUnderlyingType(type) ?? type;

    /// <summary>Whether the wiring provides it; a list, where the wiring provides something to be in it.</summary>
    public bool IsOfWiring(Type type) =>
        container.Knows(Requested(type)) && (ElementOf(type) is not { } element || container.Knows(element));

    /// <inheritdoc cref="IsOfWiring(Type)"/>
    public bool IsOfWiring(Type type, object? key) => key switch
    {
        string mark => container.Knows(type, mark),
        Type mark => container.Knows(type, mark),
        _ => false,
    };

    /// <summary>Whether the host's own provider has it.</summary>
    public bool IsOfHost(Type type) => _host?.IsService(type) == true && (ElementOf(type) is not { } element || _host.IsService(element));

    /// <inheritdoc cref="IsOfHost(Type)"/>
    public bool IsOfHost(Type type, object? key) => _host?.IsKeyedService(type, key) == true;

    private static Type? ElementOf(Type type) =>
        type.IsArray ? type.GetElementType()
        : type.IsConstructedGenericType && type.Namespace == "System.Collections.Generic" && type.GenericTypeArguments is [Type only] ? only
        : null;
}
