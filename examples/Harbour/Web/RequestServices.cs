namespace Harbour.Web;

/// <summary>Asks the scope of the request first, and the host for what the wiring does not know.</summary>
public sealed class RequestServices(IServiceProvider scope, IServiceProvider host) : IServiceProvider
{
    public object? GetService(Type serviceType) => scope.GetService(serviceType) switch
    {
        // A list that nobody fills is empty, and so is not known.
        null or Array { Length: 0 } => host.GetService(serviceType),
        object known => known,
    };
}
