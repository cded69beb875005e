using Junctivor.Graph;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Symbols;

/// <summary>Finds out which closing of a generic class serves a closed service: also where the class has fewer type
/// parameters than the service, or has them in another order.</summary>
/// <param name="types">Where types are entered.</param>
internal sealed class SymbolClosing(SymbolCatalog types)
{
    /// <summary>The closed class; null where none fits, by its type parameters or their constraints.</summary>
    public INamedTypeSymbol? Close(INamedTypeSymbol definition, ITypeSymbol service)
    {
        IReadOnlyList<ITypeParameterSymbol> parameters = ParametersOf(definition);
        return MatchesOf(definition, service)
            .Where(found => found.Count == parameters.Count && parameters.All(parameter => IsSatisfied(parameter, found)))
            .Select(found => (INamedTypeSymbol)Substitution.In(definition, found, types.Compilation))
            .FirstOrDefault();
    }

    /// <summary>What keeps a class from being closed for a service; null where nothing is found.</summary>
    public ClosingObstacle? ObstacleFor(INamedTypeSymbol definition, ITypeSymbol service)
    {
        if (MatchesOf(definition, service).FirstOrDefault() is not { } found)
        {
            return null;
        }

        string name = SymbolNames.Short(definition);
        foreach (ITypeParameterSymbol parameter in ParametersOf(definition))
        {
            if (!found.TryGetValue(parameter, out ITypeSymbol? argument))
            {
                return BrokenConstraint.Undetermined(types[service], parameter.Name, name);
            }

            if (ObstacleFor(new BrokenConstraint(name, parameter.Name, types[argument]), parameter, argument) is { } obstacle)
            {
                return obstacle;
            }
        }

        return null;
    }

    private static IReadOnlyList<ITypeParameterSymbol> ParametersOf(INamedTypeSymbol definition) =>
        [.. SymbolType.AllArguments(definition).OfType<ITypeParameterSymbol>()];

    private ClosingObstacle? ObstacleFor(BrokenConstraint broken, ITypeParameterSymbol parameter, ITypeSymbol argument)
    {
        if (parameter.HasReferenceTypeConstraint && argument.IsValueType)
        {
            return broken.ReferenceWanted;
        }

        if (parameter.HasValueTypeConstraint && !argument.IsValueType)
        {
            return broken.StructureWanted;
        }

        if (parameter.ConstraintTypes.FirstOrDefault(each => !SymbolType.IsOpenType(each) && !CanBe(argument, each)) is { } missed)
        {
            return broken.SupertypeWanted(types[missed], isChangeable: !IsOfBaseLibrary(argument));
        }

        return parameter.HasConstructorConstraint && !HasDefaultConstructor(argument) ? broken.ConstructorWanted : null;
    }

    private bool IsOfBaseLibrary(ITypeSymbol type) => SymbolEqualityComparer.Default.Equals(
        type.ContainingAssembly, types.Compilation.GetSpecialType(SpecialType.System_Object).ContainingAssembly);

    private bool IsSatisfied(ITypeParameterSymbol parameter, Dictionary<ITypeSymbol, ITypeSymbol> found)
    {
        ITypeSymbol argument = found[parameter];
        return !(parameter.HasReferenceTypeConstraint && argument.IsValueType)
            && !((parameter.HasValueTypeConstraint || parameter.HasUnmanagedTypeConstraint)
                && (!argument.IsValueType || argument.OriginalDefinition.SpecialType == SpecialType.System_Nullable_T))
            && !(parameter.HasConstructorConstraint && !HasDefaultConstructor(argument))
            && parameter.ConstraintTypes.All(each => CanBe(argument, Substitution.In(each, found, types.Compilation)));
    }

    private bool CanBe(ITypeSymbol argument, ITypeSymbol wanted) => IsAssignable(argument, wanted, types.Compilation);

    /// <summary>Whether an object of one type is one of the other, as it is.</summary>
    public static bool IsAssignable(ITypeSymbol from, ITypeSymbol to, Compilation compilation) =>
        compilation.ClassifyCommonConversion(from, to) is
        {
            Exists: true, IsImplicit: true, IsUserDefined: false, IsNumeric: false, IsNullable: false,
        };

    private static bool HasDefaultConstructor(ITypeSymbol type) => type.IsValueType
        || (!type.IsAbstract && SymbolState.PublicConstructors(type).Any(constructor => constructor.Parameters.IsEmpty));

    /// <summary>The type arguments that a service determines, by each of the supertypes that it can be.</summary>
    private static IEnumerable<Dictionary<ITypeSymbol, ITypeSymbol>> MatchesOf(INamedTypeSymbol definition, ITypeSymbol service)
    {
        foreach (ITypeSymbol pattern in SymbolType.AllSupertypes(definition).Prepend(definition))
        {
            Dictionary<ITypeSymbol, ITypeSymbol> found = new(SymbolEqualityComparer.Default);
            if (Matches(pattern, service, found))
            {
                yield return found;
            }
        }
    }

    private static bool Matches(ITypeSymbol pattern, ITypeSymbol actual, Dictionary<ITypeSymbol, ITypeSymbol> found)
    {
        if (pattern is ITypeParameterSymbol)
        {
            if (found.TryGetValue(pattern, out ITypeSymbol? known))
            {
                return SymbolEqualityComparer.Default.Equals(known, actual);
            }

            found.Add(pattern, actual);
            return true;
        }

        if (!SymbolType.IsOpenType(pattern))
        {
            return SymbolEqualityComparer.Default.Equals(pattern, actual);
        }

        return (pattern, actual) switch
        {
            (IArrayTypeSymbol one, IArrayTypeSymbol other) => one.Rank == other.Rank && Matches(one.ElementType, other.ElementType, found),
            (INamedTypeSymbol one, INamedTypeSymbol other) =>
                SymbolEqualityComparer.Default.Equals(one.OriginalDefinition, other.OriginalDefinition)
                && !SymbolEqualityComparer.Default.Equals(other, other.OriginalDefinition)
                && SymbolType.AllArguments(one)
                    .Zip(SymbolType.AllArguments(other), (first, second) => Matches(first, second, found))
                    .All(fits => fits),
            _ => false,
        };
    }
}
