using System.Diagnostics.CodeAnalysis;
using System.Runtime.CompilerServices;

namespace Junctivor.Reading;

/// <summary>Finds out which closing of a generic class serves a closed service: also where the class has fewer type
/// parameters than the service, or has them in another order.</summary>
internal static class GenericClosing
{
    /// <summary>The closed class; null where none fits, by its type parameters or their constraints.</summary>
    [UnconditionalSuppressMessage("AOT", "IL3050", Justification = "What has no code is a fault (JV206).")]
    [UnconditionalSuppressMessage("Trimming", "IL2055", Justification = "The definition was registered with its members kept.")]
    public static Type? Close(Type definition, Type service)
    {
        Type[] parameters = definition.GetGenericArguments();
        foreach (Dictionary<Type, Type> found in MatchesOf(definition, service).Where(found => found.Count == parameters.Length))
        {
            try
            {
                return definition.MakeGenericType([.. parameters.Select(parameter => found[parameter])]);
            }
            catch (ArgumentException)
            {
                // A constraint does not hold: this one is no candidate.
            }
        }

        return null;
    }

    /// <summary>Whether the program can run the code of a closed class. A natively compiled one has code for all closings over classes, and
    /// for those over structures that its source names.</summary>
    public static bool HasCode(Type closed)
    {
        if (RuntimeFeature.IsDynamicCodeSupported)
        {
            return true;
        }

        try
        {
            return closed.TypeHandle.Value != 0;
        }
        catch (NotSupportedException)
        {
            return false;
        }
    }

    /// <summary>The type arguments that a service determines, by each of the supertypes that it can be.</summary>
    public static IEnumerable<Dictionary<Type, Type>> MatchesOf(Type definition, Type service)
    {
        foreach (Type pattern in TypeCatalog.AllSupertypes(definition).Prepend(definition))
        {
            Dictionary<Type, Type> found = [];
            if (Matches(pattern, service, found))
            {
                yield return found;
            }
        }
    }

    private static bool Matches(Type pattern, Type actual, Dictionary<Type, Type> found)
    {
        if (pattern.IsGenericParameter)
        {
            return found.TryGetValue(pattern, out Type? known) ? known == actual : found.TryAdd(pattern, actual);
        }

        if (!pattern.ContainsGenericParameters)
        {
            return pattern == actual;
        }

        if (pattern.HasElementType)
        {
            return actual.HasElementType
                && pattern.IsSZArray == actual.IsSZArray
                && Matches(pattern.GetElementType()!, actual.GetElementType()!, found);
        }

        return actual.IsConstructedGenericType
            && pattern.GetGenericTypeDefinition() == actual.GetGenericTypeDefinition()
            && pattern.GetGenericArguments().Zip(actual.GenericTypeArguments).All(pair => Matches(pair.First, pair.Second, found));
    }
}
