using Junctivor.Checks;
using Junctivor.Generators.Following;
using Junctivor.Generators.Symbols;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Checking;

/// <summary>
/// Finds the conditions that a fault can depend on: those of registrations that provide or require a type that the fault is about. Where
/// many conditions are independent, a fault is checked in each combination of these, and not of all.
/// </summary>
/// <param name="entries">The entries of the wiring.</param>
internal sealed class RelevantConditions(IReadOnlyList<WiringEntry> entries)
{
    private readonly Dictionary<WrittenRegistration, HashSet<ITypeSymbol>> _types = [];

    /// <summary>The conditions that a fault can depend on.</summary>
    public IReadOnlyList<object> Of(Fault fault)
    {
        HashSet<ITypeSymbol> types = new(SymbolEqualityComparer.Default);
        foreach (FaultStep step in fault.Path)
        {
            types.UnionWith(SymbolReader.WrittenOf(step.Node) is { } registration ? TypesOf(registration) : []);
        }

        if (types.Count == 0)
        {
            return [.. entries.SelectMany(entry => entry.Flags).Distinct()];
        }

        if (fault.Kind == FaultKind.Unreachable)
        {
            AddConsumers(types);
        }

        return [.. entries.Where(entry => types.Overlaps(TypesOf(entry.Registration))).SelectMany(entry => entry.Flags).Distinct()];
    }

    /// <summary>Whether something is used depends on all that leads to it.</summary>
    private void AddConsumers(HashSet<ITypeSymbol> types)
    {
        int before;
        do
        {
            before = types.Count;
            foreach (WiringEntry entry in entries.Where(entry => types.Overlaps(TypesOf(entry.Registration))))
            {
                types.UnionWith(TypesOf(entry.Registration));
            }
        }
        while (types.Count > before);
    }

    /// <summary>The definitions of all types that a registration provides or requires.</summary>
    private HashSet<ITypeSymbol> TypesOf(WrittenRegistration registration)
    {
        if (!_types.TryGetValue(registration, out HashSet<ITypeSymbol>? known))
        {
            known = new HashSet<ITypeSymbol>(SymbolEqualityComparer.Default);
            foreach (ITypeSymbol type in Named(registration))
            {
                AddNames(type, known);
            }

            _types.Add(registration, known);
        }

        return known;
    }

    private static IEnumerable<ITypeSymbol> Named(WrittenRegistration registration) =>
    [
        registration.Service,
        .. registration.AlsoServes,
        registration.Implementation,
        .. registration.OnlyFor is { } consumer ? [consumer] : (ITypeSymbol[])[],
        .. registration.Factory?.Parameters.Select(parameter => parameter.Type) ?? [],
        .. registration.Implementation is INamedTypeSymbol named
            ? named.InstanceConstructors.SelectMany(constructor => constructor.Parameters).Select(parameter => parameter.Type)
            : [],
        .. SymbolType.AllSupertypes(registration.Implementation).Prepend(registration.Implementation)
            .SelectMany(type => type.GetMembers().OfType<IPropertySymbol>())
            .Where(property => property.SetMethod is not null)
            .Select(property => property.Type),
    ];

    private static void AddNames(ITypeSymbol type, HashSet<ITypeSymbol> names)
    {
        switch (type)
        {
            case IArrayTypeSymbol array:
                AddNames(array.ElementType, names);
                break;
            case INamedTypeSymbol named when named.SpecialType == SpecialType.None:
                names.Add(named.OriginalDefinition);
                foreach (ITypeSymbol argument in SymbolType.AllArguments(named))
                {
                    AddNames(argument, names);
                }

                break;
            default:
                names.Add(type.OriginalDefinition);
                break;
        }
    }
}
