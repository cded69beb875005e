using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor.Reading;

/// <summary>Finds what was written behind an entry and means nothing there.</summary>
internal static class MeaninglessOptions
{
    /// <param name="entry">The entry.</param>
    /// <param name="services">What it serves.</param>
    public static IReadOnlyList<MeaninglessOption> Of(RegistrationData entry, TypeRef[] services) =>
        HasNone(entry, services) ? [] : Found(entry);

    private static IReadOnlyList<MeaninglessOption> Found(RegistrationData entry) => [.. Find(entry)];

    /// <summary>Whether it is certain that nothing will be found: most entries say nothing but a class and a service.</summary>
    private static bool HasNone(RegistrationData entry, TypeRef[] services) =>
        entry is { IsDecorator: false, TargetMark: null, OnlyFor: null, WarmUp: null, WindDown: null, Passed.Count: 0 }
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

    private static IEnumerable<MeaninglessOption> Find(RegistrationData entry)
    {
        bool makes = entry.Source is InstanceSource.OfClass or InstanceSource.OfFactory or InstanceSource.OfAsyncFactory;
        if (entry.Passed.Count > 0 && entry.Source is not InstanceSource.OfClass)
        {
            yield return new MeaninglessOption("Passing sets constructor parameters, and no constructor is called here", "Passing");
        }

        if (entry.Passed.GroupBy(passed => passed.Parameter ?? TypeNames.Short(passed.Type))
            .FirstOrDefault(same => same.Count() > 1) is { } twice)
        {
            yield return new MeaninglessOption($"Passing sets {twice.Key} {twice.Count()} times");
        }

        if (entry.OnlyFor is { IsInterface: true })
        {
            yield return new MeaninglessOption(
                $"OnlyFor names {TypeNames.Short(entry.OnlyFor)}, which is an interface: name the class that takes the service", "OnlyFor");
        }

        if (entry.Options.IsSuppliedLater && !(entry.Source is InstanceSource.OfIncoming && entry.Level == Graph.Level.Singleton))
        {
            yield return new MeaninglessOption("SuppliedLater applies only to a value declared with Singleton.Incoming", "SuppliedLater");
        }

        if ((entry.WarmUp ?? entry.WindDown) is not null && (entry.Level != Graph.Level.Singleton || !makes))
        {
            yield return new MeaninglessOption(
                "WarmUp and WindDown apply only to singletons that the container creates", entry.WarmUp is null ? "WindDown" : "WarmUp");
        }

        foreach (Acceptance acceptance in entry.Options.Accepted)
        {
            if (FaultKind.Find(acceptance.Code) is not { } kind)
            {
                yield return new MeaninglessOption($"Accept names {acceptance.Code}, which is not a fault code", "Accept", acceptance.Code);
            }
            else if (!kind.CanBeLowered)
            {
                yield return new MeaninglessOption($"{kind} cannot be accepted: the container could not work", "Accept", kind.Code);
            }
        }

        foreach (Type service in entry.AlsoServes.Prepend(entry.Service))
        {
            if (Nullable.GetUnderlyingType(service) is { } underlying)
            {
                yield return new MeaninglessOption(
                    $"a consumer of {TypeNames.Short(service)} gets the registered {TypeNames.Short(underlying)}, so register "
                        + $"{TypeNames.Short(underlying)}");
            }

            if (IsProvided(service))
            {
                yield return new MeaninglessOption($"{TypeNames.Short(service)} is provided by the container, so it cannot be registered");
            }
        }
    }
}
