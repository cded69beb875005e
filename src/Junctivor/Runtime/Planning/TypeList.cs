using System.Collections;

namespace Junctivor.Runtime;

/// <summary>The types of the arguments of a call; equal where all of them are.</summary>
internal readonly struct TypeList : IEquatable<TypeList>, IEnumerable<Type>
{
    private readonly Type[] _types;

    private TypeList(Type[] types) => _types = types;

    public static TypeList Of(ReadOnlySpan<object> arguments)
    {
        Type[] types = new Type[arguments.Length];
        for (int number = 0; number < types.Length; number++)
        {
            types[number] = arguments[number]?.GetType()
                ?? throw new ArgumentNullException(
                    nameof(arguments),
                    "An argument is null, so its parameter cannot be found by type: omit it, and make the parameter optional.");
        }

        return new TypeList(types);
    }

    public bool Equals(TypeList other) => _types.AsSpan().SequenceEqual(other._types);

    public override bool Equals(object? obj) => obj is TypeList other && Equals(other);

    public override int GetHashCode()
    {
        HashCode hash = new();
        foreach (Type type in _types)
        {
            hash.Add(type);
        }

        return hash.ToHashCode();
    }

    public IEnumerator<Type> GetEnumerator() => _types.AsEnumerable().GetEnumerator();

    IEnumerator IEnumerable.GetEnumerator() => GetEnumerator();
}
