using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>A call of a method of an object.</summary>
/// <param name="Call">The call.</param>
/// <param name="Frame">Its evaluation.</param>
/// <param name="Path">The conditions under which it runs.</param>
internal sealed record ObjectCall(IInvocationOperation Call, Frame Frame, IReadOnlyList<Condition> Path);
