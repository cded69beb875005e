namespace Harbour.Web;

/// <summary>Asks the scope of the request first, and the host for what the wiring does not know.</summary>
public sealed class RequestServices(IServiceProvider scope, IServiceProvider host) : IServiceProvider
{
    public object? GetService(Type serviceType) => scope.GetService(serviceType) ?? host.GetService(serviceType);
}
