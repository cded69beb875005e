using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>A call of a method of an object.</summary>
/// <param name="Call">The call.</param>
/// <param name="Frame">Its evaluation.</param>
/// <param name="Path">What must hold for it to run.</param>
internal sealed record ObjectCall(IInvocationOperation Call, Frame Frame, IReadOnlyList<Condition> Path);
