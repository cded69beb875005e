namespace Junctivor.Requests;

/// <content>The look-ups that the host makes by its interfaces for services that are required, or have a key.</content>
internal sealed partial class RequestScope
{
    /// <exception cref="ResolveException">Neither the wiring nor the host provides it.</exception>
    public object GetRequiredService(Type serviceType) => GetService(serviceType) ?? Scope.Resolve(serviceType);

    /// <summary>What the host calls a key is a mark in the wiring.</summary>
    public object? GetKeyedService(Type serviceType, object? serviceKey) =>
        (serviceKey is string text && Scope.TryResolve(serviceType, text, out object? known))
        || (serviceKey is Type type && Scope.TryResolve(serviceType, type, out known))
            ? known
            : (Host as IHostKeyedLookup)?.GetKeyedService(serviceType, serviceKey);

    /// <exception cref="ResolveException">Neither the wiring nor the host provides it.</exception>
    public object GetRequiredKeyedService(Type serviceType, object? serviceKey) =>
        GetKeyedService(serviceType, serviceKey) ?? serviceKey switch
        {
            string mark => Scope.Resolve(serviceType, mark),
            Type mark => Scope.Resolve(serviceType, mark),
            _ when Host is IHostKeyedLookup host => host.GetRequiredKeyedService(serviceType, serviceKey),
            _ => throw new InvalidOperationException($"The host provides no service with a key, such as {serviceKey}."),
        };
}
