using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor.Reading;

/// <summary>Reads an entry of a wiring into a node of the graph.</summary>
internal sealed class EntryReader(TypeCatalog types, ParameterReader parameters, ClassReader classes)
{
    /// <summary>The node; null if the entry cannot be read, because a class names a type that cannot be loaded.</summary>
    /// <param name="entry">The entry.</param>
    /// <param name="order">Its number among those that count.</param>
    /// <param name="trouble">Why it cannot be read; null if it can.</param>
    public Node? TryRead(RegistrationData entry, int order, out InstanceSource.Unreadable? trouble)
    {
        trouble = entry.Source as InstanceSource.Unreadable;
        try
        {
            return trouble is null ? Read(entry, order) : null;
        }
        catch (Exception failure) when (LoadFailure.Is(failure))
        {
            trouble = new InstanceSource.Unreadable(
                TypeNames.Short(entry.Source.InstanceType), LoadFailure.TextOf(failure), IsPlugin: false);
            return null;
        }
    }

    private Node Read(RegistrationData entry, int order)
    {
        InstanceSource making = entry.Source;
        TypeRef[] services = ServicesOf(entry);
        ReflectedType created = making.InstanceType == entry.Service ? (ReflectedType)services[0] : types.Of(making.InstanceType);
        InstanceSource.OfClass? ofClass = making as InstanceSource.OfClass;
        Node node = new()
        {
            Order = order,
            Kind = KindOf(making),
            Implementation = created,
            Services = services,
            Level = entry.Level,
            Place = entry.Place,
            Mark = types.MarkOf(entry.Mark),
            IsDecorator = entry.IsDecorator,
            IsAsync = making is InstanceSource.OfAsyncFactory,
            Options = OptionsOf(entry),
            Constructors = ofClass is null ? [] : classes.ReadConstructors(ofClass.Implementation),
            Properties = ofClass is null ? [] : classes.ReadProperties(ofClass.Implementation),
            FactoryParameters = ofClass is null ? FactoryParametersOf(entry) : [],
            Origin = entry,
        };
        node = WithMeaningless(node, entry);
        return ofClass is not null && (entry.IsDecorator || entry.Passed.Count > 0) ? classes.Meet(node, entry.Passed) : node;
    }

    private TypeRef[] ServicesOf(RegistrationData entry) =>
        entry.AlsoServes.Count == 0 ? [types.Of(entry.Service)] : AllServicesOf(entry);

    private TypeRef[] AllServicesOf(RegistrationData entry) =>
        [.. entry.AlsoServes.Prepend(entry.Service).Distinct().Select(service => types[service])];

    private RegistrationOptions OptionsOf(RegistrationData entry) => !entry.IsWarmed && entry.OnlyFor is null
        ? entry.Options
        : entry.Options with { OnlyFor = entry.OnlyFor is null ? null : types[entry.OnlyFor], HasWarmUp = entry.IsWarmed };

    private static Node WithMeaningless(Node node, RegistrationData entry) => WrittenOptions.Of(node, entry) is { Count: > 0 } meaningless
        ? node with { Options = node.Options with { Meaningless = meaningless } }
        : node;

    private Parameter[] FactoryParametersOf(RegistrationData entry) => entry.Source switch
    {
        InstanceSource.OfFactory factory => WithInner(parameters.Read(factory.Method!, factory.ParameterCount), entry.IsDecorator),
        InstanceSource.OfAsyncFactory factory => parameters.Read(factory.Method, factory.ParameterCount),
        InstanceSource.OfAlias alias => [new PresetParameter("target", types[alias.Target], types.MarkOf(entry.TargetMark))],
        _ => [],
    };

    /// <summary>A factory that decorates takes what it wraps first.</summary>
    private static Parameter[] WithInner(Parameter[] parameters, bool isDecorator) =>
        isDecorator ? [parameters[0].AsInner(), .. parameters[1..]] : parameters;

    private static NodeKind KindOf(InstanceSource making) => making switch
    {
        InstanceSource.OfClass => NodeKind.Class,
        InstanceSource.OfFactory or InstanceSource.OfAsyncFactory => NodeKind.Factory,
        InstanceSource.OfValue => NodeKind.Value,
        InstanceSource.OfAlias => NodeKind.Alias,
        _ => NodeKind.Incoming,
    };
}
