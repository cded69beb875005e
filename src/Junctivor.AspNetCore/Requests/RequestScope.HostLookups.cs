// The interfaces by which the host asks what is a service, and for services with a key; none of them is registered or replaced.
global using Microsoft.Extensions.DependencyInjection;

using Junctivor.Endpoints;
using Microsoft.AspNetCore.Http;

namespace Junctivor.Requests;

/// <content>The look-ups that the host makes for services with a key, by its own interface for that.</content>
internal sealed partial class RequestScope : IKeyedServiceProvider, ISupportRequiredService
{
    /// <summary>Null where the handler of a wired endpoint takes nothing for a service that is missing.</summary>
    /// <exception cref="InvalidOperationException">Neither the wiring nor the host provides it.</exception>
    public object GetRequiredService(Type serviceType) => GetService(serviceType)
        ?? (_context.GetEndpoint()?.Metadata.GetMetadata<WiredEndpoint>()?.MayMiss(serviceType) == true
            ? null!
            : Host.GetRequiredService(serviceType));

    /// <summary>What the host calls a key is a mark in the wiring.</summary>
    public object? GetKeyedService(Type serviceType, object? serviceKey) =>
        FindMarked(serviceType, serviceKey) ?? (Host as IKeyedServiceProvider)?.GetKeyedService(serviceType, serviceKey);

    /// <exception cref="InvalidOperationException">Neither the wiring nor the host provides it.</exception>
    public object GetRequiredKeyedService(Type serviceType, object? serviceKey) =>
        FindMarked(serviceType, serviceKey) ?? Host.GetRequiredKeyedService(serviceType, serviceKey);

    private object? FindMarked(Type service, object? key) =>
        (key is string text && Scope.TryResolve(service, text, out object? known))
        || (key is Type type && Scope.TryResolve(service, type, out known))
            ? known
            : null;
}
