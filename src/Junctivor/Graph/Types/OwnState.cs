namespace Junctivor.Graph;

/// <summary>
/// Finds the state that an object keeps beside what its constructor was given: fields that can be set, values that were settled when it was
/// created, and collections. One such object for all is another thing than one for each.
/// </summary>
internal static class OwnState
{
    private static readonly string[] Moments =
        ["System.DateTime", "System.DateTimeOffset", "System.DateOnly", "System.TimeOnly", "System.Guid"];

    /// <summary>The names of the fields and properties that keep it.</summary>
    public static IReadOnlyList<string> StateOf<T>(this TypeModel<T> types, T type)
        where T : class
    {
        HashSet<T> given = new(types.ConstructorParametersOf(type), types.Comparer);
        List<string> names = [];
        for (T? declaring = type; declaring is not null; declaring = types.BaseOf(declaring))
        {
            names.AddRange(types.FieldsOf(declaring)
                .Where(member => !member.IsCaptured && types.IsState(member, given.Contains(member.Type)))
                .Select(member => member.Name));
        }

        return names;
    }

    /// <summary>The names of the fields and properties that keep a date, a time or a new identifier.</summary>
    public static IReadOnlyList<string> MomentsOf<T>(this TypeModel<T> types, T type)
        where T : class =>
        [.. types.FieldsOf(type).Where(member => Moments.Contains(types.DefinitionName(member.Type))).Select(member => member.Name)];

    private static bool IsState<T>(this TypeModel<T> types, KeptMember<T> member, bool isGiven)
        where T : class
    {
        bool isValue = types.IsValueType(member.Type) || types.DefinitionName(member.Type) == "System.String";
        return member.IsReadOnly
            ? !isGiven && (isValue || types.IsCollection(member.Type))
            : isValue || !isGiven || member.IsOfProperty;
    }

    private static bool IsCollection<T>(this TypeModel<T> types, T type)
        where T : class =>
        !types.IsInterface(type)
        && types.ArrayOf(type) is null
        && types.SupertypesOf(type).Any(each => types.DefinitionName(each) == "System.Collections.ICollection");
}
