using System.Diagnostics.CodeAnalysis;
using System.Globalization;
using System.Reflection;
using System.Runtime.CompilerServices;
using Junctivor.Graph;

namespace Junctivor.Reading;

/// <summary>A parameter of a constructor or factory, read by reflection: only as far as somebody wants to know.</summary>
/// <param name="info">The parameter.</param>
/// <param name="declared">Its type.</param>
/// <param name="mark">The mark that stands on it.</param>
internal sealed class ReflectedParameter(ParameterInfo info, ReflectedType declared, Mark? mark) : Parameter(declared.Wanted)
{
    private bool? _isOptional;

    public override string Name => info.Name ?? $"parameter {info.Position + 1}";

    public override Mark? Mark => mark;

    public override bool IsOptional => _isOptional ??= HasDefault || IsNullable;

    public override string? Obstacle => declared.Obstacle;

    public override bool IsNullableStructure => declared.IsNullable;

    /// <summary>
    /// What it gets where nobody registers its type. Reflection returns null for the default of a struct, and the plain number for that
    /// of an enumeration or of a native integer.
    /// </summary>
    [UnconditionalSuppressMessage("Trimming", "IL2067", Justification = "A struct needs no constructor for its default.")]
    [UnconditionalSuppressMessage("Trimming", "IL2072", Justification = "A struct needs no constructor for its default.")]
    public object? Default
    {
        get
        {
            if (!HasDefault)
            {
                return null;
            }

            Type type = declared.Wanted.Type;
            object? value = info.DefaultValue;
            return value switch
            {
                null when declared.IsValueType && !declared.IsNullable => RuntimeHelpers.GetUninitializedObject(type),
                not null when type.IsEnum => Enum.ToObject(type, value),
                not null when type == typeof(nint) => (nint)Convert.ToInt64(value, CultureInfo.InvariantCulture),
                not null when type == typeof(nuint) => (nuint)Convert.ToUInt64(value, CultureInfo.InvariantCulture),
                _ => value,
            };
        }
    }

    private bool HasDefault =>
        (info.Attributes & (ParameterAttributes.Optional | ParameterAttributes.HasDefault)) != 0 && info.HasDefaultValue;

    private bool IsNullable =>
        declared.IsNullable || (!declared.IsValueType && !declared.IsByReference && declared.Catalog.Annotations.IsNullable(info));
}
