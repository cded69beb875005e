using Junctivor.Graph;

namespace Junctivor.Generators.Symbols;

/// <summary>A parameter or property, as the graph knows it.</summary>
/// <param name="written">What the source says.</param>
/// <param name="type">What is resolved by it.</param>
/// <param name="mark">The mark that stands on it.</param>
internal sealed class SymbolParameter(WrittenParameter written, TypeRef type, Mark? mark) : Parameter(type)
{
    public override string Name => written.Name;

    public override Mark? Mark => mark;

    public override bool IsOptional => written.IsOptional;

    public override string? Obstacle => written.Obstacle;

    public override bool IsNullableStructure => written.IsNullableStructure;
}
