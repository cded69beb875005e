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
                return BrokenConstraint.Undetermined(types[service], parameter.Name, TypeNames.Short(definition));
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
        BrokenConstraint broken = new(TypeNames.Short(definition), parameter.Name, types[argument]);
        if (special.HasFlag(GenericParameterAttributes.ReferenceTypeConstraint) && argument.IsValueType)
        {
            return broken.ReferenceWanted;
        }

        if (special.HasFlag(GenericParameterAttributes.NotNullableValueTypeConstraint) && !argument.IsValueType)
        {
            return broken.StructureWanted;
        }

        if (parameter.GetGenericParameterConstraints()
            .FirstOrDefault(each => !each.ContainsGenericParameters && !each.IsAssignableFrom(argument)) is { } missed)
        {
            return broken.SupertypeWanted(types[missed], isChangeable: argument.Assembly != typeof(object).Assembly);
        }

        return special.HasFlag(GenericParameterAttributes.DefaultConstructorConstraint) && !HasDefaultConstructor(argument)
            ? broken.ConstructorWanted
            : null;
    }

    [UnconditionalSuppressMessage("Trimming", "IL2070", Justification = "A constructor that was trimmed away cannot be called either.")]
    private static bool HasDefaultConstructor(Type type) =>
        type.IsValueType || (!type.IsAbstract && type.GetConstructor(Type.EmptyTypes) is not null);
}
