using Junctivor.Generators.Symbols;

namespace Junctivor.Generators.Following;

/// <summary>The factory of a registration.</summary>
/// <param name="Parameters">What it takes, in the last of its parameters.</param>
/// <param name="Identity">Equal for two registrations with the same one; null if each may do something else.</param>
/// <param name="IsAsync">Whether what it returns must be awaited.</param>
internal sealed record WrittenFactory(IReadOnlyList<WrittenParameter> Parameters, object? Identity, bool IsAsync);
