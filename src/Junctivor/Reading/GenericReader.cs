using System.Diagnostics.CodeAnalysis;
using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor.Reading;

/// <summary>Closes open generic registrations for the services that are required, and keeps what it has closed. One thread at a time may
/// use it.</summary>
internal sealed class GenericReader(TypeCatalog types, ClassReader classes)
{
    private readonly Dictionary<(Node Open, Type Closed), Node> _closings = [];
    private Dictionary<(Node Open, TypeRef Service), string>? _unclosable;

    /// <summary>The node of the closed class; null if it cannot be closed for this service.</summary>
    [UnconditionalSuppressMessage("Trimming", "IL2072", Justification = "The definition was registered with its members kept.")]
    public Node? Close(Node open, TypeRef service)
    {
        if (WiringReader.SourceOf(open) is not InstanceSource.OfClass { Implementation: { IsGenericTypeDefinition: true } definition }
            || ReflectedTypes.All.Close(definition, types[service]) is not { } closed
            || !CompiledCode.IsThereFor(closed))
        {
            return null;
        }

        if (!_closings.TryGetValue((open, closed), out Node? node))
        {
            try
            {
                node = open.Derive() with
                {
                    Implementation = types[closed],
                    Services = ServicesOf(open, closed, service),
                    Constructors = classes.ReadConstructors(closed),
                    Properties = classes.ReadProperties(closed),
                };
                node = classes.Meet(node, WiringReader.EntryOf(open).Passed);
            }
            catch (Exception failure) when (LoadFailure.Is(failure))
            {
                (_unclosable ??= [])[(open, service)] = LoadFailure.TextOf(failure);
                return null;
            }

            _closings.Add((open, closed), node);
        }

        return node;
    }

    /// <summary>Why it cannot be closed for this service; null if nothing is known.</summary>
    public ClosingObstacle? ObstacleFor(Node open, TypeRef service) =>
        _unclosable?.GetValueOrDefault((open, service)) is { } reason ? new ClosingObstacle(reason)
        : WiringReader.SourceOf(open) is InstanceSource.OfClass { Implementation: { IsGenericTypeDefinition: true } definition }
            ? ReflectedTypes.All.ObstacleFor(definition, types[service], type => types[type])
                ?? UnbuiltFor(definition, types[service])
            : null;

    private ClosingObstacle? UnbuiltFor(Type definition, Type service) =>
        ReflectedTypes.All.Close(definition, service) is { } closed && !CompiledCode.IsThereFor(closed)
            ? new ClosingObstacle(
                $"This program was compiled natively, and has no code for {TypeNames.Short(closed)}, because the compiler saw no use of it: "
                    + "the wiring could not be followed (JV901), or it is resolved by a type known only at run time.",
                Unbuilt: types[closed])
            : null;

    /// <summary>The closed services of a closed class, in the order of the open ones.</summary>
    private TypeRef[] ServicesOf(Node open, Type closed, TypeRef wanted)
    {
        IReadOnlyList<Type> all = [closed, .. TypeCatalog.AllSupertypes(closed)];
        return
        [
            .. open.Services
                .SelectMany(service => service.IsDefinition
                    ? all.Select(each => types[each]).Where(each => each.IsClosingOf(service)).OrderByDescending(wanted.Equals).Take(1)
                    : [service]),
        ];
    }
}
