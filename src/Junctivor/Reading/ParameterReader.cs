using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using System.Runtime.CompilerServices;
using Junctivor.Graph;

namespace Junctivor.Reading;

/// <summary>Reads what constructors, factories and properties ask for.</summary>
internal sealed class ParameterReader(TypeCatalog types)
{
    private readonly Dictionary<Parameter, object?> _constants = [];
    private readonly Annotations _annotations = new();

    /// <summary>What a parameter gets that is passed a constant, or that is optional and registered by nobody.</summary>
    public object? ConstantOf(Parameter parameter) => _constants.GetValueOrDefault(parameter);

    public IReadOnlyList<Parameter> Read(IEnumerable<ParameterInfo> infos) => [.. infos.Select(Read)];

    public Parameter Read(ParameterInfo info)
    {
        Type type = TypeOf(info);
        IList<CustomAttributeData> attributes = info.GetCustomAttributesData();
        bool isNullable = !type.IsValueType && !type.IsByRef && _annotations.IsNullable(info, attributes);
        bool hasDefault = (info.Attributes & (ParameterAttributes.Optional | ParameterAttributes.HasDefault)) != 0 && info.HasDefaultValue;
        Parameter parameter = new(info.Name ?? $"parameter {info.Position + 1}", Wanted(type))
        {
            Mark = attributes.Count == 0 ? null : MarkOf(info),
            IsOptional = isNullable || hasDefault || Nullable.GetUnderlyingType(type) is not null,
            Obstacle = ObstacleOf(type),
        };
        if (hasDefault)
        {
            _constants.Add(parameter, DefaultValue(info, type));
        }

        return parameter;
    }

    public Parameter Read(PropertyInfo info)
    {
        bool isNullable = !info.PropertyType.IsValueType && _annotations.IsNullable(info);
        return new Parameter(info.Name, Wanted(info.PropertyType))
        {
            Mark = MarkOf(info),
            IsOptional = isNullable || Nullable.GetUnderlyingType(info.PropertyType) is not null,
            Obstacle = info.SetMethod is { IsPublic: true } ? ObstacleOf(info.PropertyType) : "has no public setter",
        };
    }

    /// <summary>The same parameter, met by a constant.</summary>
    public Parameter Passing(Parameter parameter, object? constant)
    {
        Parameter passed = new(parameter.Name, parameter.Type) { IsPassed = true };
        _constants.Add(passed, constant);
        return passed;
    }

    /// <summary>What is passed by reference only to be read, with <c>in</c> or <c>ref readonly</c>, is handed over as any other value.</summary>
    private static Type TypeOf(ParameterInfo info) =>
        info.ParameterType is { IsByRef: true } reference && info.IsIn && !info.IsOut ? reference.GetElementType()! : info.ParameterType;

    private TypeRef Wanted(Type type) => types[Nullable.GetUnderlyingType(type) ?? type];

    private Mark? MarkOf(ICustomAttributeProvider place)
    {
        foreach (object attribute in place.GetCustomAttributes(inherit: true))
        {
            if (attribute is MarkedAttribute text)
            {
                return Mark.Of(text.Mark);
            }

            Type type = attribute.GetType();
            if (type.IsConstructedGenericType && type.GetGenericTypeDefinition() == typeof(MarkedAttribute<>))
            {
                return Mark.Of(types[type.GenericTypeArguments[0]]);
            }
        }

        return null;
    }

    /// <summary>Reflection gives null for the default of a structure, and the number for that of an enumeration.</summary>
    [UnconditionalSuppressMessage("Trimming", "IL2067", Justification = "A structure needs no constructor for its default.")]
    private static object? DefaultValue(ParameterInfo info, Type declared)
    {
        Type type = Nullable.GetUnderlyingType(declared) ?? declared;
        object? value = info.DefaultValue;
        return value switch
        {
            null when declared.IsValueType && type == declared => RuntimeHelpers.GetUninitializedObject(type),
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
