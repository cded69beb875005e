using System.Reflection;
using Junctivor.Graph;

namespace Junctivor.Reading;

/// <summary>A property that is filled, read by reflection.</summary>
/// <param name="info">The property.</param>
/// <param name="declared">Its type.</param>
/// <param name="mark">The mark that stands on it.</param>
internal sealed class ReflectedProperty(PropertyInfo info, ReflectedType declared, Mark? mark) : Parameter(declared.Wanted)
{
    public PropertyInfo Info => info;

    public override string Name => info.Name;

    public override Mark? Mark => mark;

    public override bool IsOptional => declared.IsNullable || (!declared.IsValueType && declared.Catalog.Annotations.IsNullable(info));

    public override string? Obstacle =>
        info.GetIndexParameters().Length > 0 ? PropertyObstacle.Indexer
        : (info.GetMethod ?? info.SetMethod) is { IsStatic: true } ? PropertyObstacle.Static
        : info.SetMethod is { IsPublic: true } ? declared.Obstacle
        : info.GetMethod is { IsPublic: true } ? PropertyObstacle.NoSetter
        : PropertyObstacle.NotPublic;
}
