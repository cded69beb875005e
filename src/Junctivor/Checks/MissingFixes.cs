using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>What to write where a service is missing.</summary>
internal static class MissingFixes
{
    /// <summary>The fixes of what is close; where nothing is, what would register the service.</summary>
    /// <param name="graph">The graph.</param>
    /// <param name="service">What is missing.</param>
    /// <param name="near">What is close to it.</param>
    /// <param name="consumers">Who requires it.</param>
    public static IReadOnlyList<Fix> Of(ServiceGraph graph, ServiceId service, IReadOnlyList<NearMiss> near, Consumers consumers)
    {
        IReadOnlyList<Fix> meant = [.. near.Select(each => each.Fix).OfType<Fix>()];
        return meant.Count > 0 ? meant
            : OfPlace(service.Type, consumers.Level, consumers.Parameter) is { } place ? [place]
            : IsPlain(service.Type) ? OfPlainValue(graph, service, consumers)
            : [.. Registering(graph, service, consumers)];
    }

    /// <summary>Whether it is a value of which a program has many, such as a number or a text.</summary>
    public static bool IsPlain(TypeRef type) => type.IsValueType || type.DefinitionName == WellKnownTypes.Text;

    /// <summary>Whether it belongs to the platform, so that no class of the user's is meant.</summary>
    public static bool IsOfBaseLibrary(TypeRef type) =>
        type.DefinitionName.StartsWith("System.", StringComparison.Ordinal)
        || type.DefinitionName.StartsWith("Microsoft.", StringComparison.Ordinal);

    /// <summary>What is not a service, and is there all the same where it is needed.</summary>
    private static Fix? OfPlace(TypeRef type, Level level, string name) => type.DefinitionName switch
    {
        WellKnownTypes.ProviderInterface => new Fix(
            "take the required services as parameters; for types known only at run time, take",
            RegistrationText.Parameter(null, level == Level.Singleton ? "Container" : "Scope", name)),
        WellKnownTypes.CancellationToken => new Fix(
            "take it as a method parameter: a service lives longer than one call (only a factory in FromAsync can take it)"),
        _ => null,
    };

    /// <summary>There may be many values of one plain type: each wants a name.</summary>
    private static List<Fix> OfPlainValue(ServiceGraph graph, ServiceId service, Consumers consumers)
    {
        string name = consumers.Parameter;
        Mark mark = service.Mark ?? Mark.Of(name);
        List<Fix> fixes = [];
        if (consumers.Dependencies is
            [{ Consumer: { Kind: NodeKind.Class, Registration.IsInWiring: true } consumer, Binding: Binding.Missing }, ..])
        {
            string at = SourcePlaceText.At(consumer.Place, graph.SharedFolder);
            IEnumerable<string> passing = consumers.Dependencies
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

    /// <summary>What people register for a type of the base class library, of which no class of theirs is an implementation.</summary>
    private static Fix? OfBaseLibrary(TypeRef type, string mark, Level level) => type.DefinitionName switch
    {
        "System.TimeProvider" => new Fix("register the clock of the system", $"Singleton.Value(TimeProvider.System){mark}"),
        "System.Random" => new Fix("register the shared one, which is thread-safe", $"Singleton.Value(Random.Shared){mark}"),
        "System.Net.Http.HttpClient" => new Fix("register one for all", $"Singleton.From(() => new HttpClient()){mark}"),
        "Microsoft.Extensions.Logging.ILogger`1" => new Fix(
            $"register the logger of the host's factory, and declare the factory; {FromHost}",
            $"Singleton.Of({Open("ILogger")}, {Open("Logger")}),\nSingleton.Incoming<ILoggerFactory>()"),
        _ when IsOfHost(type) && mark.Length == 0 => new Fix(
            $"the host provides this service, so declare it as an incoming value; {FromHost}", $"Singleton.Incoming<{type.Name}>()"),
        _ when IsOfBaseLibrary(type) => new Fix(
            "register a factory for it, because it is not one of your classes",
            $"{RegistrationText.Start(level)}.From({type.Name} () => …){mark}"),
        _ => null,
    };

    /// <summary>Whether a host has one, and supplies it: the interfaces and abstract classes that its packages bring.</summary>
    public static bool IsOfHost(TypeRef type) =>
        (type.IsInterface || type.IsAbstract)
        && (type.DefinitionName.StartsWith("Microsoft.Extensions.", StringComparison.Ordinal)
            || type.DefinitionName.StartsWith("Microsoft.AspNetCore.", StringComparison.Ordinal));

    private const string FromHost = "wiring.Build(Incoming.FromHost(app.Services)) supplies it";

    private static string Open(string name) => $"typeof({name}<>)";

    private static IEnumerable<Fix> Registering(ServiceGraph graph, ServiceId service, Consumers consumers)
    {
        TypeRef type = service.Type;
        Level level = consumers.Level;
        string mark = RegistrationText.OptionsOf(service.Mark);
        if (OfBaseLibrary(type, mark, level) is { } known)
        {
            yield return RegistrationText.IsToBeFilledIn(known.Code!)
                ? known
                : known with
                {
                    Edits = consumers.Register(known.Code!),
                    ByHandBecause = known.Code!.Contains(".Incoming<") ? ByHand.SuppliedAtBuild : null,
                };
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
            Fix register = MissingRegistrations.Fix(
                dependencies.Count == 0 ? "register it" : $"register it and its dependencies ({string.Join(", ", dependencies)})",
                graph, service, type, level, consumers);
            bool isData = dependencies.Any(dependency => IsPlain(dependency.Type));
            yield return isData ? declaration : register;
            yield return isData ? new Fix("register an existing object", $"Singleton.Value<{type.Name}>(…){mark}") : declaration;
        }
    }
}
