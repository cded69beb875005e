using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Following;

/// <summary>A constant that a registration passes.</summary>
/// <param name="Parameter">The name of the parameter; null if its type tells which.</param>
/// <param name="Type">The type that it is passed as.</param>
/// <param name="Actual">The type that it has at least.</param>
/// <param name="IsExact">Whether it has no other type than that.</param>
/// <param name="IsNull">Whether there is none.</param>
/// <param name="Location">Where it is passed.</param>
internal sealed record WrittenConstant(
    string? Parameter, ITypeSymbol Type, ITypeSymbol Actual, bool IsExact, bool IsNull, Location Location);
