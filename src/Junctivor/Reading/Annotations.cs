using System.Reflection;

namespace Junctivor.Reading;

/// <summary>
/// Reads whether a reference was written with a question mark. The base library's reader counts a plain type parameter as
/// nullable, because it may be closed so; whoever writes <c>T thing</c> wants one. Safe for use by several threads.
/// </summary>
internal sealed class Annotations
{
    private const string OnPlace = "System.Runtime.CompilerServices.NullableAttribute";
    private const string OnSurroundings = "System.Runtime.CompilerServices.NullableContextAttribute";
    private const byte Nullable = 2;

    private readonly Lock _gate = new();
    private readonly Dictionary<MemberInfo, byte?> _around = [];

    public bool IsNullable(ParameterInfo parameter) =>
        (Flag(parameter.GetCustomAttributesData(), OnPlace) ?? FlagOf(parameter.Member)) == Nullable;

    public bool IsNullable(PropertyInfo property) =>
        (Flag(property.GetCustomAttributesData(), OnPlace) ?? FlagOf(property)) == Nullable;

    private byte? FlagOf(MemberInfo member)
    {
        lock (_gate)
        {
            return FlagAround(member);
        }
    }

    /// <summary>What holds for all of a member, or of the type around it; read once for each.</summary>
    private byte? FlagAround(MemberInfo? member)
    {
        if (member is null)
        {
            return null;
        }

        if (!_around.TryGetValue(member, out byte? flag))
        {
            _around.Add(member, flag = Flag(member.GetCustomAttributesData(), OnSurroundings) ?? FlagAround(member.DeclaringType));
        }

        return flag;
    }

    /// <summary>The flag of the whole type; those of its type arguments follow it.</summary>
    private static byte? Flag(IEnumerable<CustomAttributeData> attributes, string name) => attributes
        .FirstOrDefault(attribute => attribute.AttributeType.FullName == name)?
        .ConstructorArguments[0].Value switch
    {
        byte flag => flag,
        IReadOnlyList<CustomAttributeTypedArgument> { Count: > 0 } flags => (byte?)flags[0].Value,
        _ => null,
    };
}
