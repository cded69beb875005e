using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor.Reading;

/// <summary>Finds the constraint of a generic class that a type argument does not satisfy.</summary>
internal static class ConstraintReader
{
    /// <summary>What keeps a class from being closed for a service; null where nothing is found.</summary>
    public static ClosingObstacle? ObstacleFor(Type definition, Type service, TypeCatalog types)
    {
        if (GenericClosing.MatchesOf(definition, service).FirstOrDefault() is not { } found)
        {
            return null;
        }

        foreach (Type parameter in definition.GetGenericArguments())
        {
            if (!found.TryGetValue(parameter, out Type? argument))
            {
                return new ClosingObstacle(
                    $"{TypeNames.Short(service)} does not determine the type parameter {parameter.Name} of {TypeNames.Short(definition)}.");
            }

            if (ObstacleFor(definition, parameter, argument, types) is { } obstacle)
            {
                return obstacle;
            }
        }

        return null;
    }

    private static ClosingObstacle? ObstacleFor(Type definition, Type parameter, Type argument, TypeCatalog types)
    {
        GenericParameterAttributes special = parameter.GenericParameterAttributes & GenericParameterAttributes.SpecialConstraintMask;
        string where = $"{TypeNames.Short(definition)} has the constraint 'where {parameter.Name} : ";
        string name = TypeNames.Short(argument);
        if (special.HasFlag(GenericParameterAttributes.ReferenceTypeConstraint) && argument.IsValueType)
        {
            return new ClosingObstacle($"{where}class', and {name} is a structure.");
        }

        if (special.HasFlag(GenericParameterAttributes.NotNullableValueTypeConstraint) && !argument.IsValueType)
        {
            return new ClosingObstacle($"{where}struct', and {name} is not a structure.");
        }

        if (parameter.GetGenericParameterConstraints()
            .FirstOrDefault(each => !each.ContainsGenericParameters && !each.IsAssignableFrom(argument)) is { } missed)
        {
            string verb = missed.IsInterface ? "implement" : "derive from";
            return new ClosingObstacle(
                $"{where}{TypeNames.Short(missed)}', and {name} does not {verb} it.",
                argument.Assembly == typeof(object).Assembly ? null : $"change {name} to {verb} {TypeNames.Short(missed)}",
                types[argument],
                types[missed]);
        }

        return special.HasFlag(GenericParameterAttributes.DefaultConstructorConstraint) && !HasDefaultConstructor(argument)
            ? new ClosingObstacle(
                $"{where}new()', and {name} has no public constructor without parameters.", $"give {name} such a constructor")
            : null;
    }

    [UnconditionalSuppressMessage("Trimming", "IL2070", Justification = "A constructor that was trimmed away cannot be called either.")]
    private static bool HasDefaultConstructor(Type type) =>
        type.IsValueType || (!type.IsAbstract && type.GetConstructor(Type.EmptyTypes) is not null);
}
