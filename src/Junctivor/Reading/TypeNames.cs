namespace Junctivor.Reading;

/// <summary>Writes types as C# does.</summary>
internal static class TypeNames
{
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
        [typeof(object)] = "object",
        [typeof(short)] = "short",
        [typeof(string)] = "string",
        [typeof(uint)] = "uint",
        [typeof(ulong)] = "ulong",
    };

    /// <summary>The name without namespaces, such as <c>IArchive&lt;Vessel&gt;</c>.</summary>
    public static string Short(Type type) => Write(type, Short, definition => Plain(definition.Name));

    /// <summary>The name with namespace and declaring types.</summary>
    public static string Qualified(Type type) => Write(type, Qualified, WithSurroundings);

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

    private static string Write(Type type, Func<Type, string> argument, Func<Type, string> name)
    {
        if (Keywords.TryGetValue(type, out string? keyword))
        {
            return keyword;
        }

        if (type.HasElementType)
        {
            return argument(type.GetElementType()!) + (type.IsArray ? $"[{new string(',', type.GetArrayRank() - 1)}]" : type.IsPointer ? "*" : "&");
        }

        if (Nullable.GetUnderlyingType(type) is { } underlying)
        {
            return $"{argument(underlying)}?";
        }

        Type[] arguments = type.GetGenericArguments();
        return arguments.Length == 0 || type.IsGenericParameter
            ? name(type)
            : $"{name(type)}<{string.Join(", ", arguments.Select(argument))}>";
    }

    private static string WithSurroundings(Type type)
    {
        string name = Plain(type.Name);
        if (type.IsGenericParameter)
        {
            return name;
        }

        string? around = type.DeclaringType is null ? type.Namespace : WithSurroundings(type.DeclaringType);
        return string.IsNullOrEmpty(around) ? name : $"{around}.{name}";
    }

    private static string Plain(string name)
    {
        int tick = name.IndexOf('`', StringComparison.Ordinal);
        return tick < 0 ? name : name[..tick];
    }
}
