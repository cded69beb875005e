using Junctivor.Checks;
using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor.Reading;

/// <summary>Finds what was written behind an entry and means nothing there.</summary>
internal static class WrittenOptions
{
    /// <param name="node">The registration, with everything but this.</param>
    /// <param name="entry">The entry that it was read from.</param>
    public static IReadOnlyList<MeaninglessOption> Of(Node node, RegistrationData entry) =>
        HasNone(entry, node.Services) ? [] : Found(node, entry);

    /// <summary>Whether it is certain that nothing will be found: most entries say nothing but a class and a service.</summary>
    private static bool HasNone(RegistrationData entry, TypeRef[] services) =>
        entry is { IsDecorator: false, TargetMark: null, OnlyFor: null, IsWarmed: false, Passed.Count: 0 }
        && entry.Options == RegistrationOptions.None
        && !IsAnyProvided(services);

    private static bool IsAnyProvided(TypeRef[] services)
    {
        foreach (TypeRef service in services)
        {
            if (((ReflectedType)service).IsNullable || IsProvided(((ReflectedType)service).Type))
            {
                return true;
            }
        }

        return false;
    }

    /// <summary>Whether the container itself creates one for the consumer. Names are read of few types only.</summary>
    private static bool IsProvided(Type service) =>
        (service.Assembly == typeof(Wiring).Assembly || (service.IsGenericType && service.Assembly == typeof(object).Assembly))
        && WellKnownTypes.IsProvided(TypeNames.Definition(service));

    private static IReadOnlyList<MeaninglessOption> Found(Node node, RegistrationData entry) =>
    [
        .. MeaninglessOptions.Find(
            node,
            [.. entry.Passed.Select(passed => passed.Parameter ?? TypeNames.Short(passed.Type))],
            [.. WarmingOf(entry)]),
    ];

    private static IEnumerable<string> WarmingOf(RegistrationData entry)
    {
        if (entry.Background is not null)
        {
            yield return OptionNames.Background;
        }

        if (entry.WarmUp is not null)
        {
            yield return OptionNames.WarmUp;
        }

        if (entry.WindDown is not null)
        {
            yield return OptionNames.WindDown;
        }
    }
}
