using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Native;

/// <summary>What code requires of a container or scope.</summary>
/// <param name="Type">The service.</param>
/// <param name="Mark">A text or a type; null for none.</param>
/// <param name="IsConstructed">Whether the class is constructed without being registered.</param>
internal sealed record SourceRequest(ITypeSymbol Type, object? Mark, bool IsConstructed);
