using System.Diagnostics.CodeAnalysis;
using System.Reflection;

namespace Junctivor.EntryPoints;

/// <summary>Collects what the host will request from the scopes of requests; what the host has itself, is left out.</summary>
/// <param name="lookup">Knows who provides what.</param>
internal sealed class FoundEntryPoints(ServiceLookup lookup)
{
    private readonly List<FoundEntryPoint> _found = [];
    private readonly HashSet<(string Text, MemberInfo? Written)> _known = [];

    public IReadOnlyList<FoundEntryPoint> All => _found;

    public ServiceLookup Lookup => lookup;

    /// <summary>Adds why the host cannot serve something, once: a hub has several endpoints.</summary>
    /// <param name="name">How messages call it.</param>
    /// <param name="written">The method or class; null if it is not known.</param>
    /// <param name="summary">What is wrong.</param>
    /// <param name="fixes">The ways to fix it.</param>
    public void AddProblem(string name, MemberInfo? written, string summary, params IReadOnlyList<string> fixes)
    {
        if (_known.Add((summary, written)))
        {
            EntryPointProblem problem = new(summary) { Fixes = fixes };
            _found.Add(new FoundEntryPoint(new EntryPoint(name) { Problems = [problem] }, written));
        }
    }

    /// <summary>Adds what is requested by something that is written as a method or a class; once, as a controller has several
    /// endpoints.</summary>
    public void Add(string name, MemberInfo written, IEnumerable<HandlerParameter> services)
    {
        RequestedService[] ofWiring = [.. services.Select(Requested).OfType<RequestedService>()];
        if (ofWiring.Length > 0 && _known.Add((name, written)))
        {
            _found.Add(new FoundEntryPoint(new EntryPoint(name) { Services = ofWiring }, written));
        }
    }

    /// <summary>Adds what the constructor requests by which the host creates a class.</summary>
    /// <param name="name">How messages call it.</param>
    /// <param name="type">The class.</param>
    /// <param name="given">The types of the arguments that the host has for it: each goes to the first parameter that takes it.</param>
    public void AddClass(string name, Type type, params IReadOnlyList<Type> given)
    {
        if (ConstructorOf(type) is { } constructor)
        {
            List<HandlerParameter> parameters = [.. HandlerParameter.AllOf(constructor)];
            foreach (Type argument in given)
            {
                if (parameters.Find(parameter => parameter.Type.IsAssignableFrom(argument)) is { } taking)
                {
                    parameters.Remove(taking);
                }
            }

            Add(name, constructor, parameters);
        }
    }

    /// <summary>The constructor by which the host creates a class; null if it would have to choose.</summary>
    [UnconditionalSuppressMessage("Trimming", "IL2070", Justification = Trimming.KeptByHost)]
    public static ConstructorInfo? ConstructorOf(Type type) => type.IsAbstract ? null : type.GetConstructors() switch
    {
        [var only] => only,
        var several => several.FirstOrDefault(each => each.IsDefined(typeof(ActivatorUtilitiesConstructorAttribute))),
    };

    /// <summary>What is requested of the wiring; null for what the host has, and for what is there wherever a scope is.</summary>
    private RequestedService? Requested(HandlerParameter parameter)
    {
        object? key = parameter.Key;
        if (typeof(Resolver).IsAssignableFrom(parameter.Type) || parameter.Type == typeof(IServiceProvider)
            || key is not (null or string or Type))
        {
            return null;
        }

        RequestedService requested = new(ServiceLookup.Requested(parameter.Type), parameter.Name) { Mark = key };
        return (key is null ? lookup.IsOfWiring(parameter.Type) : lookup.IsOfWiring(parameter.Type, key)) ? requested
            : (key is null ? lookup.IsOfHost(parameter.Type) : lookup.IsOfHost(parameter.Type, key)) ? null
            : requested with { IsOptional = parameter.IsOptional() };
    }
}
