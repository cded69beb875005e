using System.Reflection;

namespace Junctivor.Reading;

/// <summary>
/// Reads whether a reference was written with a question mark. The base class library's reader counts a plain type parameter as
/// nullable, because it may be closed so; whoever writes <c>T thing</c> wants one. Safe for use by several threads.
/// </summary>
internal sealed class Annotations
{
    private const string OnPlace = "System.Runtime.CompilerServices.NullableAttribute";
    private const string OnSurroundings = "System.Runtime.CompilerServices.NullableContextAttribute";
    private const int Nullable = 2;
    private const int Unknown = -1;

    private readonly Lock _gate = new();
    private Dictionary<MemberInfo, int>? _around;

    public bool IsNullable(ParameterInfo parameter) =>
        FlagOf(parameter.GetCustomAttributesData(), parameter.Member) == Nullable;

    public bool IsNullable(PropertyInfo property) =>
        FlagOf(property.GetCustomAttributesData(), property) == Nullable;

    private int FlagOf(IList<CustomAttributeData> attributes, MemberInfo member)
    {
        int flag = Flag(attributes, OnPlace);
        if (flag != Unknown)
        {
            return flag;
        }

        lock (_gate)
        {
            return FlagAround(member);
        }
    }

    /// <summary>What holds for all of a member, or of the type around it; read once for each.</summary>
    private int FlagAround(MemberInfo? member)
    {
        if (member is null)
        {
            return Unknown;
        }

        _around ??= [];
        if (!_around.TryGetValue(member, out int flag))
        {
            flag = Flag(member.GetCustomAttributesData(), OnSurroundings);
            flag = flag == Unknown ? FlagAround(member.DeclaringType) : flag;
            _around.Add(member, flag);
        }

        return flag;
    }

    /// <summary>The flag of the whole type; those of its type arguments follow it.</summary>
    private static int Flag(IList<CustomAttributeData> attributes, string name) => attributes.Count == 0 ? Unknown : attributes
        .FirstOrDefault(attribute => attribute.AttributeType.FullName == name)?
        .ConstructorArguments[0].Value switch
    {
        byte flag => flag,
        IReadOnlyList<CustomAttributeTypedArgument> { Count: > 0 } flags => (byte)flags[0].Value!,
        _ => Unknown,
    };
}
