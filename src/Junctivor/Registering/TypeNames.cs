namespace Junctivor.Registering;

/// <summary>Writes types as C# does.</summary>
internal static class TypeNames
{
    private const int LongestTuple = 8;

    private static readonly Dictionary<Type, string> Keywords = new()
    {
        [typeof(bool)] = "bool",
        [typeof(byte)] = "byte",
        [typeof(char)] = "char",
        [typeof(decimal)] = "decimal",
        [typeof(double)] = "double",
        [typeof(float)] = "float",
        [typeof(int)] = "int",
        [typeof(long)] = "long",
        [typeof(nint)] = "nint",
        [typeof(nuint)] = "nuint",
        [typeof(object)] = "object",
        [typeof(sbyte)] = "sbyte",
        [typeof(short)] = "short",
        [typeof(string)] = "string",
        [typeof(uint)] = "uint",
        [typeof(ulong)] = "ulong",
        [typeof(ushort)] = "ushort",
    };

    /// <summary>
    /// The name without namespaces, such as <c>IArchive&lt;Vessel&gt;</c> or <c>Booking.Handler</c>; of a private class only its
    /// own name, as nobody outside the class around it can write more.
    /// </summary>
    public static string Short(Type type) => Write(type, Short, isQualified: false);

    /// <summary>The name with namespace and declaring types.</summary>
    public static string Qualified(Type type) => Write(type, Qualified, isQualified: true);

    /// <summary>The name without anything around it, and without type arguments.</summary>
    public static string Own(Type type) => Keywords.TryGetValue(type, out string? keyword) ? keyword : Plain(type.Name);

    /// <summary>The name of the generic definition in metadata; <c>[]</c> for an array.</summary>
    public static string Definition(Type type)
    {
        if (type.IsSZArray)
        {
            return "[]";
        }

        Type definition = type.IsGenericType ? type.GetGenericTypeDefinition() : type;
        return definition.FullName ?? definition.Name;
    }

    private static string Write(Type type, Func<Type, string> argument, bool isQualified)
    {
        if (Keywords.TryGetValue(type, out string? keyword))
        {
            return keyword;
        }

        if (type.IsArray)
        {
            return WriteArray(type, argument);
        }

        if (type.HasElementType)
        {
            return argument(type.GetElementType()!) + (type.IsPointer ? "*" : "&");
        }

        if (Nullable.GetUnderlyingType(type) is { } underlying)
        {
            return $"{argument(underlying)}?";
        }

        return IsTuple(type)
            ? $"({string.Join(", ", TupleParts(type).Select(argument))})"
            : WriteNamed(type, argument, isQualified);
    }

    /// <summary>C# writes the outermost brackets first: an array of matrices is <c>int[][,]</c>.</summary>
    private static string WriteArray(Type type, Func<Type, string> argument)
    {
        string brackets = "";
        while (type.IsArray)
        {
            brackets += $"[{new string(',', type.GetArrayRank() - 1)}]";
            type = type.GetElementType()!;
        }

        return argument(type) + brackets;
    }

    private static string WriteNamed(Type type, Func<Type, string> argument, bool isQualified)
    {
        if (type.IsGenericParameter)
        {
            return type.Name;
        }

        Type[] arguments = type.GetGenericArguments();
        List<string> parts = [];
        for (Type? current = type; current is not null; current = isQualified || !current.IsNestedPrivate ? current.DeclaringType : null)
        {
            int inherited = current.DeclaringType?.GetGenericArguments().Length ?? 0;
            int count = current.GetGenericArguments().Length;
            string own = count > inherited ? $"<{string.Join(", ", arguments[inherited..count].Select(argument))}>" : "";
            parts.Insert(0, Plain(current.Name) + own);
        }

        string name = string.Join('.', parts);
        return isQualified && !string.IsNullOrEmpty(type.Namespace) ? $"{type.Namespace}.{name}" : name;
    }

    private static bool IsTuple(Type type) => IsValueTuple(type) && type.GenericTypeArguments.Length > 1;

    private static bool IsValueTuple(Type type) =>
        type is { IsConstructedGenericType: true, Namespace: "System" } && type.Name.StartsWith("ValueTuple`", StringComparison.Ordinal);

    private static IEnumerable<Type> TupleParts(Type type)
    {
        Type[] parts = type.GenericTypeArguments;
        return parts.Length == LongestTuple && IsValueTuple(parts[^1]) ? parts[..^1].Concat(TupleParts(parts[^1])) : parts;
    }

    private static string Plain(string name)
    {
        int tick = name.IndexOf('`', StringComparison.Ordinal);
        return tick < 0 ? name : name[..tick];
    }
}
