using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor.Reading;

/// <summary>Finds what was written behind an entry and means nothing there.</summary>
internal static class MeaninglessOptions
{
    /// <param name="entry">The entry.</param>
    /// <param name="services">What it serves.</param>
    public static IReadOnlyList<string> Of(RegistrationData entry, TypeRef[] services) => HasNone(entry, services) ? [] : [.. Find(entry)];

    /// <summary>Whether it is certain that nothing will be found: most entries say nothing but a class and a service.</summary>
    private static bool HasNone(RegistrationData entry, TypeRef[] services) =>
        entry is { IsDecorator: false, TargetMark: null, OnlyFor: null, WarmUp: null, WindDown: null, Passed.Count: 0 }
        && entry.Options == RegistrationOptions.None
        && Array.TrueForAll(services, service => !IsProvided(((ReflectedType)service).Type) && !((ReflectedType)service).IsNullable);

    /// <summary>Whether the container itself makes one for whoever asks. Names are read of few types only.</summary>
    private static bool IsProvided(Type service) =>
        (service.Assembly == typeof(Wiring).Assembly || (service.IsGenericType && service.Assembly == typeof(object).Assembly))
        && WellKnownTypes.IsProvided(TypeNames.Definition(service));

    private static IEnumerable<string> Find(RegistrationData entry)
    {
        bool isAlias = entry.Source is InstanceSource.OfAlias;
        bool makes = entry.Source is InstanceSource.OfClass or InstanceSource.OfFactory or InstanceSource.OfAsyncFactory;
        if (entry.Passed.Count > 0 && entry.Source is not InstanceSource.OfClass)
        {
            yield return "Passing is for the parameters of a constructor, and nothing here calls one";
        }

        if (entry.Options.IsSuppliedLater && !(entry.Source is InstanceSource.OfIncoming && entry.Level == Graph.Level.Singleton))
        {
            yield return "SuppliedLater is for a value promised with Singleton.Incoming";
        }

        if ((entry.WarmUp ?? entry.WindDown) is not null && (entry.Level != Graph.Level.Singleton || !makes))
        {
            yield return "WarmUp and WindDown are for singletons that the container makes";
        }

        if (entry.TargetMark is not null && !isAlias)
        {
            yield return "TargetMarked is for an alias";
        }

        if (entry.Options.IsOwned is not null && isAlias)
        {
            yield return "an alias makes nothing that could end: say it where its target is registered";
        }

        if (entry.Options.IsOwned == false && !makes && !isAlias)
        {
            yield return "a value is left undisposed without LeaveUndisposed";
        }

        if (entry.IsDecorator && DecoratorEnding(entry) is { } ending)
        {
            yield return $"{ending} means nothing on a decorator: it wraps whatever serves, and is nothing to choose";
        }

        foreach (Acceptance acceptance in entry.Options.Accepted)
        {
            if (FaultKind.Find(acceptance.Code) is not { } kind)
            {
                yield return $"Accept names {acceptance.Code}, and there is no such code";
            }
            else if (!kind.CanBeLowered)
            {
                yield return $"{kind} cannot be accepted, as nothing that is built so could work";
            }
        }

        foreach (Type service in entry.AlsoServes.Prepend(entry.Service))
        {
            if (Nullable.GetUnderlyingType(service) is { } underlying)
            {
                yield return $"whoever asks for {TypeNames.Short(service)} gets {TypeNames.Short(underlying)} where it is registered, so register {TypeNames.Short(underlying)}";
            }

            if (IsProvided(service))
            {
                yield return $"{TypeNames.Short(service)} is made by the container for whoever asks, so it cannot be registered";
            }
        }
    }

    private static string? DecoratorEnding(RegistrationData entry) => entry switch
    {
        { AlsoServes.Count: > 0 } => "Also",
        { Options.IsReplacing: true } => "Replacing",
        { Options.IsIfMissing: true } => "IfMissing",
        { Options.IsFirstChoice: true } => "FirstChoice",
        { Options.IsRoot: true } => "ResolvedDirectly",
        { OnlyFor: not null } => "OnlyFor",
        _ => null,
    };
}
