using System.Reflection;

namespace Junctivor.EntryPoints;

/// <summary>Reads controllers and view components: the host creates them from the scope of the request, or, where it is told so, has its
/// own services create them, which know nothing of the wiring.</summary>
internal static class CreatedByHost
{
    /// <param name="type">The class.</param>
    /// <param name="told">The call by which the host is told that they are services.</param>
    /// <param name="isService">Whether the host is told so.</param>
    /// <param name="found">Where it is added.</param>
    public static void Read(Type type, string told, bool isService, FoundEntryPoints found)
    {
        if (!isService)
        {
            found.AddClass(type.Name, type);
        }
        else if (found.Lookup.IsOfWiring(type))
        {
            found.Add(type.Name, type, [new HandlerParameter("created", type, [], () => false)]);
        }
        else if (FoundEntryPoints.ConstructorOf(type) is { } constructor && Unknown(constructor, found.Lookup) is { Count: > 0 } unknown)
        {
            found.AddProblem(
                type.Name, constructor,
                $"{type.Name} is created by the host's own services, which do not know {string.Join(" and ", unknown)}",
                $"remove .{told}()",
                $"register it in the wiring: Transient.Of<{type.Name}>()");
        }
    }

    private static List<string> Unknown(ConstructorInfo constructor, ServiceLookup lookup) =>
    [
        .. HandlerParameter.AllOf(constructor)
            .Where(parameter => parameter.Key is { } key
                ? lookup.IsOfWiring(parameter.Type, key) && !lookup.IsOfHost(parameter.Type, key)
                : lookup.IsOfWiring(parameter.Type) && !lookup.IsOfHost(parameter.Type))
            .Select(parameter => parameter.Type.Name),
    ];
}
