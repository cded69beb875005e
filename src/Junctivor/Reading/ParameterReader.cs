using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using System.Runtime.CompilerServices;
using Junctivor.Graph;

namespace Junctivor.Reading;

/// <summary>Reads what constructors and factories ask for.</summary>
internal sealed class ParameterReader(TypeCatalog types)
{
    private readonly Dictionary<Parameter, object?> _defaults = [];
    private readonly NullabilityInfoContext _nullability = new();

    public IReadOnlyList<Parameter> Read(IEnumerable<ParameterInfo> infos) => [.. infos.Select(Read)];

    /// <summary>What an optional parameter gets where nobody registers the service.</summary>
    public object? DefaultOf(Parameter parameter) => _defaults.GetValueOrDefault(parameter);

    private Parameter Read(ParameterInfo info)
    {
        Type type = info.ParameterType;
        Type? underlying = Nullable.GetUnderlyingType(type);
        bool isNullable = underlying is not null || (!type.IsValueType && !type.IsByRef && _nullability.Create(info).WriteState == NullabilityState.Nullable);
        Parameter parameter = new(info.Name ?? $"parameter {info.Position + 1}", types[underlying ?? type])
        {
            IsOptional = isNullable || info.HasDefaultValue,
            Obstacle = ObstacleOf(type),
        };
        if (info.HasDefaultValue)
        {
            _defaults.Add(parameter, DefaultValue(info));
        }

        return parameter;
    }

    /// <summary>Reflection gives null for the default of a structure, and the number for that of an enumeration.</summary>
    [UnconditionalSuppressMessage("Trimming", "IL2072", Justification = "A structure needs no constructor for its default.")]
    private static object? DefaultValue(ParameterInfo info)
    {
        Type type = Nullable.GetUnderlyingType(info.ParameterType) ?? info.ParameterType;
        object? value = info.DefaultValue;
        return value switch
        {
            null when info.ParameterType.IsValueType && type == info.ParameterType => RuntimeHelpers.GetUninitializedObject(type),
            not null when type.IsEnum => Enum.ToObject(type, value),
            _ => value,
        };
    }

    private static string? ObstacleOf(Type type) => type switch
    {
        { IsByRef: true } => "is passed by reference",
        { IsPointer: true } or { IsFunctionPointer: true } => "is a pointer",
        { IsByRefLike: true } => "lives on the stack only",
        _ => null,
    };
}
