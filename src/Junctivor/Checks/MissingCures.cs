using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>What to write where a service is missing.</summary>
internal static class MissingCures
{
    /// <summary>How a parameter is called in a cure where there is none yet.</summary>
    public const string AnyName = "wanted";

    /// <summary>The cures of what is close; where nothing is, what would register the service.</summary>
    /// <param name="graph">The graph.</param>
    /// <param name="service">What is missing.</param>
    /// <param name="near">What is close to it.</param>
    /// <param name="level">The longest life of those that ask.</param>
    /// <param name="asking">Who asks, and by which parameter; null at run time.</param>
    public static IReadOnlyList<Cure> Of(ServiceGraph graph, ServiceId service, IReadOnlyList<NearMiss> near, Level level, Need? asking)
    {
        IReadOnlyList<Cure> meant = [.. near.Select(each => each.Cure).OfType<Cure>()];
        return meant.Count > 0 ? meant
            : OfPlace(service.Type, level, asking?.Parameter.Name ?? AnyName) is { } place ? [place]
            : IsPlain(service.Type) ? OfPlainValue(graph, service, asking)
            : [.. Registering(graph, service, level)];
    }

    /// <summary>What is no service, and is there all the same where it is needed.</summary>
    private static Cure? OfPlace(TypeRef type, Level level, string name) => type.DefinitionName switch
    {
        "System.IServiceProvider" => new Cure(
            "take what is needed as parameters; or, for types that are known only at run time, take",
            RegistrationText.Parameter(null, level == Level.Singleton ? "Container" : "Scope", name)),
        "System.Threading.CancellationToken" => new Cure(
            "let the methods that work take it: an object lives longer than one call (a factory in FromAsync may ask for it)"),
        _ => null,
    };

    private static bool IsPlain(TypeRef type) => type.IsValueType || type.DefinitionName == TypeRef.Text;

    /// <summary>There may be many values of one plain type: each wants a name.</summary>
    private static List<Cure> OfPlainValue(ServiceGraph graph, ServiceId service, Need? asking)
    {
        string name = asking?.Parameter.Name ?? AnyName;
        Mark mark = service.Mark ?? Mark.Of(name);
        List<Cure> cures = [];
        if (asking is { Consumer: { Kind: NodeKind.Class, Written.Order: < int.MaxValue } consumer, Supply: Supply.Missing })
        {
            string at = PlaceNames.At(consumer.Place, graph.SharedFolder);
            cures.Add(new Cure($"add to the registration of {consumer.Name}{at}", RegistrationText.Passing(name)));
        }

        cures.Add(new Cure("put it into a settings class of your own, register that, and ask for it"));
        cures.Add(new Cure(
            service.Mark is null ? $"register it under a mark, and take {RegistrationText.Parameter(mark, service.Type.Name, name)}" : "register it",
            $"Singleton.Value<{service.Type.Name}>(…){RegistrationText.Ending(mark)}"));
        return cures;
    }

    private static IEnumerable<Cure> Registering(ServiceGraph graph, ServiceId service, Level level)
    {
        TypeRef type = service.Type;
        string mark = RegistrationText.Ending(service.Mark);
        if (type.IsDelegate)
        {
            yield return new Cure("register the delegate", $"Singleton.Value<{type.Name}>(…){mark}");
        }
        else if (type.IsInterface || type.IsAbstract)
        {
            yield return new Cure("register the class that implements it", RegistrationText.OfUnknown(level, type) + mark);
            yield return new Cure("give an object that exists already", $"Singleton.Value<{type.Name}>(…){mark}");
        }
        else
        {
            IReadOnlyList<ServiceId> needs = [.. graph.MissingFor(type).Distinct()];
            Cure promise = new("promise it, if only whoever builds the container knows it", $"Singleton.Incoming<{type.Name}>(){mark}");
            Cure register = needs.Count == 0
                ? new Cure("register it", RegistrationText.OfClass(level, type, type) + mark)
                : new Cure($"register it, and what it needs ({string.Join(", ", needs)})", RegistrationText.OfClass(level, type, type) + mark);
            bool isData = needs.Any(need => IsPlain(need.Type));
            yield return isData ? promise : register;
            yield return isData ? new Cure("give the object, if it is known where the wiring is written", $"Singleton.Value<{type.Name}>(…){mark}") : promise;
        }
    }
}
