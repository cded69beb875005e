namespace Junctivor.Graph;

/// <summary>Finds a member that shows how a type is used: the first method that it declares, or otherwise its first property.</summary>
internal static class FirstUse
{
    /// <summary>How it is called, and whether it must be awaited; null if there is none.</summary>
    public static (string Call, bool IsAsync)? FirstUseOf<T>(this TypeModel<T> types, T type)
        where T : class
    {
        IReadOnlyList<T> own = [type, .. types.IsInterface(type) ? types.SupertypesOf(type).Where(types.IsInterface) : []];
        foreach (UsableMember<T> member in own.SelectMany(types.MethodsOf).Where(IsShown).Concat(own.SelectMany(types.PropertiesOf)))
        {
            return (member.Call, types.IsAwaited(member.Returned));
        }

        return null;
    }

    private static bool IsShown<T>(UsableMember<T> method)
        where T : class =>
        !method.IsSpecial && method.Name is not ("Dispose" or "DisposeAsync") && !method.Name.Contains('.') && !method.Name.Contains('<');

    private static bool IsAwaited<T>(this TypeModel<T> types, T returned)
        where T : class
    {
        if (types.DefinitionName(returned) is WellKnownTypes.ValueTask or WellKnownTypes.ValueTaskOf)
        {
            return true;
        }

        for (T? type = returned; type is not null; type = types.BaseOf(type))
        {
            if (types.DefinitionName(type) == WellKnownTypes.Task)
            {
                return true;
            }
        }

        return false;
    }
}
