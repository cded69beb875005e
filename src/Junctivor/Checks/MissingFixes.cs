using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>What to write where a service is missing.</summary>
internal static class MissingFixes
{
    /// <summary>How a parameter is called in a fix where there is none yet.</summary>
    public const string AnyName = "wanted";

    /// <summary>The fixes of what is close; where nothing is, what would register the service.</summary>
    /// <param name="graph">The graph.</param>
    /// <param name="service">What is missing.</param>
    /// <param name="near">What is close to it.</param>
    /// <param name="level">The longest life of those that ask.</param>
    /// <param name="dependencies">The dependencies on it; none at run time.</param>
    public static IReadOnlyList<Fix> Of(
        ServiceGraph graph, ServiceId service, IReadOnlyList<NearMiss> near, Level level, IReadOnlyList<Dependency> dependencies)
    {
        Dependency? asking = dependencies.Count > 0 ? dependencies[0] : null;
        IReadOnlyList<Fix> meant = [.. near.Select(each => each.Fix).OfType<Fix>()];
        return meant.Count > 0 ? meant
            : OfPlace(service.Type, level, asking?.Parameter.Name ?? AnyName) is { } place ? [place]
            : IsPlain(service.Type) ? OfPlainValue(graph, service, asking, dependencies)
            : [.. Registering(graph, service, level)];
    }

    /// <summary>What is no service, and is there all the same where it is needed.</summary>
    private static Fix? OfPlace(TypeRef type, Level level, string name) => type.DefinitionName switch
    {
        WellKnownTypes.ProviderInterface => new Fix(
            "take the required services as parameters; for types known only at run time, take",
            RegistrationText.Parameter(null, level == Level.Singleton ? "Container" : "Scope", name)),
        WellKnownTypes.CancellationToken => new Fix(
            "take it as a method parameter: a service lives longer than one call (only a factory in FromAsync can take it)"),
        _ => null,
    };

    private static bool IsPlain(TypeRef type) => type.IsValueType || type.DefinitionName == WellKnownTypes.Text;

    /// <summary>There may be many values of one plain type: each wants a name.</summary>
    private static List<Fix> OfPlainValue(
        ServiceGraph graph, ServiceId service, Dependency? asking, IReadOnlyList<Dependency> dependencies)
    {
        string name = asking?.Parameter.Name ?? AnyName;
        Mark mark = service.Mark ?? Mark.Of(name);
        List<Fix> fixes = [];
        if (asking is { Consumer: { Kind: NodeKind.Class, Registration.Order: < int.MaxValue } consumer, Binding: Binding.Missing })
        {
            string at = SourcePlaceText.At(consumer.Place, graph.SharedFolder);
            IEnumerable<string> passing = dependencies
                .Where(dependency => dependency.Consumer == consumer)
                .Select(dependency => RegistrationText.Passing(dependency.Parameter.Name));
            fixes.Add(new Fix($"add to the registration of {consumer.Name}{at}", string.Concat(passing)));
        }

        fixes.Add(new Fix("put the value into a settings class, register that class, and take it"));
        fixes.Add(new Fix(
            service.Mark is null
                ? $"register it with a mark, and take {RegistrationText.Parameter(mark, service.Type.Name, name)}"
                : "register it",
            $"Singleton.Value<{service.Type.Name}>(…){RegistrationText.OptionsOf(mark)}"));
        return fixes;
    }

    /// <summary>What people register for a type of the base library, of which no class of theirs is an implementation.</summary>
    private static Fix? OfBaseLibrary(TypeRef type, string mark, Level level) => type.DefinitionName switch
    {
        "System.TimeProvider" => new Fix("register the clock of the system", $"Singleton.Value(TimeProvider.System){mark}"),
        "System.Random" => new Fix("register the shared one, which is thread-safe", $"Singleton.Value(Random.Shared){mark}"),
        "System.Net.Http.HttpClient" => new Fix("register one for all", $"Singleton.From(() => new HttpClient()){mark}"),
        "Microsoft.Extensions.Logging.ILogger`1" => new Fix(
            "register the logger of the host's factory, and the factory as a value",
            $"Singleton.Of({Open("ILogger")}, {Open("Logger")})"),
        _ when type.DefinitionName.StartsWith("System.", StringComparison.Ordinal)
            || type.DefinitionName.StartsWith("Microsoft.", StringComparison.Ordinal) => new Fix(
            "register a factory for it, as it is not a class of yours",
            $"{RegistrationText.Start(level)}.From({type.Name} () => …){mark}"),
        _ => null,
    };

    private static string Open(string name) => $"typeof({name}<>)";

    private static IEnumerable<Fix> Registering(ServiceGraph graph, ServiceId service, Level level)
    {
        TypeRef type = service.Type;
        string mark = RegistrationText.OptionsOf(service.Mark);
        if (OfBaseLibrary(type, mark, level) is { } known)
        {
            yield return known;
        }
        else if (type.IsDelegate)
        {
            yield return new Fix("register the delegate", $"Singleton.Value<{type.Name}>(…){mark}");
        }
        else if (type.IsInterface || type.IsAbstract)
        {
            yield return new Fix("register the class that implements it", RegistrationText.OfUnknown(level, type) + mark);
            yield return new Fix("register an existing object", $"Singleton.Value<{type.Name}>(…){mark}");
        }
        else
        {
            IReadOnlyList<ServiceId> dependencies = [.. graph.MissingFor(type).Distinct()];
            Fix declaration = new("declare it as a value that is supplied at build", $"Singleton.Incoming<{type.Name}>(){mark}");
            Fix register = dependencies.Count == 0
                ? new Fix("register it", RegistrationText.OfClass(level, type, type) + mark)
                : new Fix(
                    $"register it and its dependencies ({string.Join(", ", dependencies)})",
                    RegistrationText.OfClass(level, type, type) + mark);
            bool isData = dependencies.Any(dependency => IsPlain(dependency.Type));
            yield return isData ? declaration : register;
            yield return isData ? new Fix("register an existing object", $"Singleton.Value<{type.Name}>(…){mark}") : declaration;
        }
    }
}
