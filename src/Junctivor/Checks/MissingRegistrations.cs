using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>The registrations that a missing service takes: its own, and those of what it requires and nobody registers.</summary>
internal static class MissingRegistrations
{
    /// <summary>A fix that registers a class for a service, with all that the class requires where that can be told.</summary>
    /// <param name="advice">What to do, in words.</param>
    /// <param name="graph">The graph.</param>
    /// <param name="service">What is missing.</param>
    /// <param name="created">The class.</param>
    /// <param name="level">Its lifetime.</param>
    /// <param name="consumers">Who requires it.</param>
    public static Fix Fix(string advice, ServiceGraph graph, ServiceId service, TypeRef created, Level level, Consumers consumers)
    {
        List<string> registrations = [Of(level, service, created)];
        List<TypeRef> classes = [created];
        bool isWhole = AddDependencies(graph, created, level, registrations, classes, [service]);
        string code = isWhole ? string.Join(",\n", registrations) : registrations[0];
        return new Fix(advice, code, isWhole ? consumers.Register(code) : [])
        {
            ByHandBecause = classes.Select(ByHand.LifetimeOf).FirstOrDefault(reason => reason is not null),
        };
    }

    private static string Of(Level level, ServiceId service, TypeRef created) =>
        RegistrationText.OfClass(level, service.Type, created) + RegistrationText.OptionsOf(service.Mark);

    /// <summary>Adds what a class requires; false if a value or a choice is the user's.</summary>
    private static bool AddDependencies(
        ServiceGraph graph, TypeRef created, Level level, List<string> registrations, List<TypeRef> classes, HashSet<ServiceId> known)
    {
        if (created.IsDefinition)
        {
            return true;
        }

        foreach (ServiceId missing in graph.MissingFor(created))
        {
            if (!known.Add(missing))
            {
                continue;
            }

            if (OnlyClassFor(graph, missing.Type) is not { } type)
            {
                return false;
            }

            registrations.Add(Of(level, missing, type));
            classes.Add(type);
            if (!AddDependencies(graph, type, level, registrations, classes, known))
            {
                return false;
            }
        }

        return true;
    }

    private static TypeRef? OnlyClassFor(ServiceGraph graph, TypeRef service) =>
        MissingFixes.IsPlain(service) || MissingFixes.IsOfBaseLibrary(service) || service.IsDelegate ? null
        : !service.IsInterface && !service.IsAbstract ? service
        : graph.Implementing(service).Where(type => !type.IsOpen).ToList() is [TypeRef only] ? only : null;
}
