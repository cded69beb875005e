using Junctivor.Checks;
using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor.Reading;

/// <summary>Finds what was written behind an entry and means nothing there.</summary>
internal static class IdleEndings
{
    private static readonly HashSet<Type> Wrappers =
        [typeof(Func<>), typeof(Func<,>), typeof(Func<,,>), typeof(Func<,,,>), typeof(Func<,,,,>), typeof(Lazy<>), typeof(FreshScope<>)];

    private static readonly HashSet<Type> Ambient = [typeof(Scope), typeof(Container), typeof(AskingClass)];

    /// <param name="entry">The entry.</param>
    /// <param name="services">What it serves.</param>
    public static IReadOnlyList<string> Of(Entry entry, TypeRef[] services) => HasNone(entry, services) ? [] : [.. Find(entry)];

    /// <summary>Whether it is certain that nothing will be found: most entries say nothing but a class and a service.</summary>
    private static bool HasNone(Entry entry, TypeRef[] services) =>
        entry is { IsDecorator: false, TargetMark: null, OnlyFor: null, WarmUp: null, WindDown: null, Passed.Count: 0 }
        && entry.Endings == Endings.None
        && Array.TrueForAll(services, service => !IsMadeForAnyone((ReflectedType)service) && !((ReflectedType)service).IsNullable);

    /// <summary>Whether the container itself makes one for whoever asks.</summary>
    private static bool IsMadeForAnyone(ReflectedType service) =>
        service.IsGeneric ? Wrappers.Contains(service.Type.GetGenericTypeDefinition()) : Ambient.Contains(service.Type);

    private static IEnumerable<string> Find(Entry entry)
    {
        bool isAlias = entry.Making is Making.OfAlias;
        bool makes = entry.Making is Making.OfClass or Making.OfFactory or Making.OfAsyncFactory;
        if (entry.Passed.Count > 0 && entry.Making is not Making.OfClass)
        {
            yield return "Passing is for the parameters of a constructor, and nothing here calls one";
        }

        if (entry.Endings.IsLate && !(entry.Making is Making.OfIncoming && entry.Level == Graph.Level.Singleton))
        {
            yield return "Later is for a value promised with Singleton.Incoming";
        }

        if ((entry.WarmUp ?? entry.WindDown) is not null && (entry.Level != Graph.Level.Singleton || !makes))
        {
            yield return "WarmUp and WindDown are for singletons that the container makes";
        }

        if (entry.TargetMark is not null && !isAlias)
        {
            yield return "TargetMarked is for an alias";
        }

        if (entry.Endings.IsOwned is not null && isAlias)
        {
            yield return "an alias makes nothing that could end: say it where its target is registered";
        }

        if (entry.Endings.IsOwned == false && !makes && !isAlias)
        {
            yield return "a value is left undisposed without LeaveUndisposed";
        }

        if (entry.IsDecorator && DecoratorEnding(entry) is { } ending)
        {
            yield return $"{ending} means nothing on a decorator: it wraps whatever serves, and is nothing to choose";
        }

        foreach (Acceptance acceptance in entry.Endings.Accepted)
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

            if (Ambient.Contains(service) || (service.IsGenericType && Wrappers.Contains(service.GetGenericTypeDefinition())))
            {
                yield return $"{TypeNames.Short(service)} is made by the container for whoever asks, so it cannot be registered";
            }
        }
    }

    private static string? DecoratorEnding(Entry entry) => entry switch
    {
        { AlsoServes.Count: > 0 } => "Also",
        { Endings.IsReplacing: true } => "Replacing",
        { Endings.IsIfMissing: true } => "IfMissing",
        { Endings.IsFirstChoice: true } => "FirstChoice",
        { Endings.IsRoot: true } => "ResolvedDirectly",
        { OnlyFor: not null } => "OnlyFor",
        _ => null,
    };
}
