using System.Diagnostics.CodeAnalysis;
using System.Reflection;

namespace Junctivor.EntryPoints;

/// <summary>Collects what the host will request from the scopes of requests; what the host has itself, is left out.</summary>
/// <param name="lookup">Knows who provides what.</param>
internal sealed class FoundEntryPoints(ServiceLookup lookup)
{
    private readonly List<FoundEntryPoint> _found = [];
    private readonly List<string> _problems = [];

    public IReadOnlyList<FoundEntryPoint> All => _found;

    /// <summary>What is wrong, and is no fault of the wiring: whole sentences.</summary>
    public IReadOnlyList<string> Problems => _problems;

    public ServiceLookup Lookup => lookup;

    /// <summary>Adds a problem, once: a hub has several endpoints.</summary>
    public void AddProblem(string problem)
    {
        if (!_problems.Contains(problem))
        {
            _problems.Add(problem);
        }
    }

    /// <summary>Adds what is requested by something that is written as a method or a class; once for each name.</summary>
    public void Add(string name, MemberInfo written, IEnumerable<HandlerParameter> services)
    {
        RequestedService[] ofWiring = [.. services.Select(parameter => parameter.Service).Where(IsForWiring)];
        if (ofWiring.Length > 0 && !_found.Exists(found => found.EntryPoint.Name == name))
        {
            _found.Add(new FoundEntryPoint(new EntryPoint(name) { Services = ofWiring }, written));
        }
    }

    /// <summary>Adds what the constructor requests by which the host creates a class.</summary>
    public void AddClass(string name, Type type)
    {
        if (ConstructorOf(type) is { } constructor)
        {
            Add(name, constructor, HandlerParameter.AllOf(constructor));
        }
    }

    /// <summary>The constructor by which the host creates a class; null where it would have to choose.</summary>
    [UnconditionalSuppressMessage("Trimming", "IL2070", Justification = Trimming.KeptByHost)]
    public static ConstructorInfo? ConstructorOf(Type type) => type.IsAbstract ? null : type.GetConstructors() switch
    {
        [var only] => only,
        var several => several.FirstOrDefault(each => each.IsDefined(typeof(HostConstructorAttribute))),
    };

    /// <summary>The host is asked only for what the wiring does not provide; some types are there wherever a scope is.</summary>
    private bool IsForWiring(RequestedService service) =>
        !typeof(Resolver).IsAssignableFrom(service.Type)
        && service.Type != typeof(IServiceProvider)
        && service.Mark is null or string or Type
        && (service.Mark is null
            ? lookup.IsOfWiring(service.Type) || !lookup.IsOfHost(service.Type)
            : lookup.IsOfWiring(service.Type, service.Mark) || !lookup.IsOfHost(service.Type, service.Mark));
}
