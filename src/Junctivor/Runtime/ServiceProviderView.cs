namespace Junctivor.Runtime;

/// <summary>A container or scope as frameworks see it.</summary>
internal sealed class ServiceProviderView(Resolver resolver) : IServiceProvider
{
    public object? GetService(Type serviceType) => resolver.TryResolve(serviceType, out object? service) ? service : null;
}
