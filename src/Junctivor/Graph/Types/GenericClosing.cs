namespace Junctivor.Graph;

/// <summary>Finds the closed type of a generic class that provides a closed service, even if the class has fewer type parameters than the
/// service, or has them in another order.</summary>
internal static class GenericClosing
{
    /// <summary>The closed class; null if none fits, because of its type parameters or their constraints.</summary>
    public static T? Close<T>(this TypeModel<T> types, T definition, T service)
        where T : class
    {
        int count = types.ArgumentsOf(definition).Count;
        return types.MatchesOf(definition, service)
            .Where(found => found.Count == count)
            .Select(found => types.TryClose(definition, parameter => found[parameter]))
            .FirstOrDefault(closed => closed is not null);
    }

    /// <summary>The constraint that a class does not satisfy for a service; null if none is found.</summary>
    /// <param name="types">The types.</param>
    /// <param name="definition">The generic definition of the class.</param>
    /// <param name="service">The closed service.</param>
    /// <param name="enter">Enters a type that the message names in the catalog.</param>
    public static ClosingObstacle? ObstacleFor<T>(this TypeModel<T> types, T definition, T service, Func<T, TypeRef> enter)
        where T : class
    {
        if (types.MatchesOf(definition, service).FirstOrDefault() is not { } found)
        {
            return null;
        }

        string name = types.ShortName(definition);
        foreach (T parameter in types.ArgumentsOf(definition))
        {
            if (!found.TryGetValue(parameter, out T? argument))
            {
                return BrokenConstraint.Undetermined(enter(service), types.ShortName(parameter), name);
            }

            if (types.ObstacleFor(new BrokenConstraint(name, types.ShortName(parameter), enter(argument)), parameter, argument, enter)
                is { } obstacle)
            {
                return obstacle;
            }
        }

        return null;
    }

    private static ClosingObstacle? ObstacleFor<T>(
        this TypeModel<T> types, BrokenConstraint broken, T parameter, T argument, Func<T, TypeRef> enter)
        where T : class
    {
        ParameterDemands demands = types.DemandsOf(parameter);
        if (demands.HasFlag(ParameterDemands.Class) && types.IsValueType(argument))
        {
            return broken.ReferenceWanted;
        }

        if (demands.HasFlag(ParameterDemands.Struct) && !types.IsValueType(argument))
        {
            return broken.StructWanted;
        }

        if (types.ConstraintsOf(parameter).FirstOrDefault(each => !types.IsOpen(each) && !types.IsAssignable(argument, each)) is { } missed)
        {
            return broken.SupertypeWanted(enter(missed), isChangeable: !types.IsOfCoreLibrary(argument));
        }

        return demands.HasFlag(ParameterDemands.Constructor) && !types.HasDefaultConstructor(argument) ? broken.ConstructorWanted : null;
    }

    /// <summary>The type arguments that a service determines, by each of the supertypes that it can be.</summary>
    private static IEnumerable<Dictionary<T, T>> MatchesOf<T>(this TypeModel<T> types, T definition, T service)
        where T : class
    {
        foreach (T pattern in types.SupertypesOf(definition).Prepend(definition))
        {
            Dictionary<T, T> found = new(types.Comparer);
            if (types.Matches(pattern, service, found))
            {
                yield return found;
            }
        }
    }

    private static bool Matches<T>(this TypeModel<T> types, T pattern, T actual, Dictionary<T, T> found)
        where T : class
    {
        if (types.IsParameter(pattern))
        {
            if (found.TryGetValue(pattern, out T? known))
            {
                return types.Comparer.Equals(known, actual);
            }

            found.Add(pattern, actual);
            return true;
        }

        if (!types.IsOpen(pattern))
        {
            return types.Comparer.Equals(pattern, actual);
        }

        if (types.ArrayOf(pattern) is { } array)
        {
            return types.ArrayOf(actual) is { } other && array.Rank == other.Rank && types.Matches(array.Element, other.Element, found);
        }

        IReadOnlyList<T> arguments = types.ArgumentsOf(actual);
        return arguments.Count > 0
            && types.Comparer.Equals(types.DefinitionOf(pattern), types.DefinitionOf(actual))
            && !types.Comparer.Equals(actual, types.DefinitionOf(actual))
            && types.ArgumentsOf(pattern)
                .Zip(arguments, (one, other) => types.Matches(one, other, found))
                .All(fits => fits);
    }
}
