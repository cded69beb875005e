using System.Collections;
using System.Diagnostics.CodeAnalysis;
using System.Reflection;

namespace Junctivor.Reading;

/// <summary>
/// Finds what an object keeps of its own, beside what its constructor was given: what can be set, values that were settled
/// when it was created, and collections. One such object for all is another thing than one for each.
/// </summary>
internal static class OwnState
{
    private static readonly Type[] MomentTypes =
        [typeof(DateTime), typeof(DateTimeOffset), typeof(DateOnly), typeof(TimeOnly), typeof(Guid)];

    private const BindingFlags Declared = BindingFlags.Instance | BindingFlags.Public | BindingFlags.NonPublic | BindingFlags.DeclaredOnly;

    /// <summary>The names of the fields and properties that keep it.</summary>
    [UnconditionalSuppressMessage("Trimming", "IL2070", Justification = "A field that was trimmed away keeps nothing.")]
    [UnconditionalSuppressMessage("Trimming", "IL2075", Justification = "A field that was trimmed away keeps nothing.")]
    public static IReadOnlyList<string> Of(Type type)
    {
        HashSet<Type> given = [.. type.GetConstructors()
            .SelectMany(constructor => constructor.GetParameters())
            .Select(parameter => parameter.ParameterType)];
        List<string> names = [];
        for (Type? declaring = type; declaring is not null && declaring != typeof(object); declaring = declaring.BaseType)
        {
            names.AddRange(declaring.GetFields(Declared).Where(field => IsState(field, given)).Select(NameOf));
        }

        return names;
    }

    /// <summary>The names of the fields and properties that keep a date, a time or a new identifier.</summary>
    [UnconditionalSuppressMessage("Trimming", "IL2070", Justification = "A field that was trimmed away keeps nothing.")]
    public static IReadOnlyList<string> MomentsOf(Type type) =>
        [.. type.GetFields(Declared).Where(field => MomentTypes.Contains(field.FieldType)).Select(NameOf)];

    private static bool IsState(FieldInfo field, HashSet<Type> given)
    {
        bool isGiven = given.Contains(field.FieldType);
        bool isValue = field.FieldType.IsValueType || field.FieldType == typeof(string);
        return !IsCaptured(field) && (field.IsInitOnly
            ? !isGiven && (isValue || IsCollection(field.FieldType))
            : isValue || !isGiven || IsOfProperty(field));
    }

    /// <summary>A parameter of a primary constructor that the class goes on using.</summary>
    private static bool IsCaptured(FieldInfo field) => field.Name.StartsWith('<') && field.Name.EndsWith(">P", StringComparison.Ordinal);

    private static bool IsOfProperty(FieldInfo field) => field.Name.EndsWith(">k__BackingField", StringComparison.Ordinal);

    private static bool IsCollection(Type type) => !type.IsInterface && !type.IsArray && typeof(ICollection).IsAssignableFrom(type);

    private static string NameOf(FieldInfo field) =>
        IsOfProperty(field) || IsCaptured(field) ? field.Name[1..field.Name.IndexOf('>', StringComparison.Ordinal)] : field.Name;
}
