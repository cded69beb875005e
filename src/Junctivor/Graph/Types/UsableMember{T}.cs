namespace Junctivor.Graph;

/// <summary>A member that a consumer of a type could call.</summary>
/// <typeparam name="T">A type, as the reader has it: reflected, or a symbol.</typeparam>
/// <param name="Call">How it is called, with the names of its parameters: <c>PurgeAsync(cancellationToken)</c>.</param>
/// <param name="Name">Its name.</param>
/// <param name="Returned">What it returns.</param>
/// <param name="IsSpecial">Whether it is generic, or overrides a method of <c>object</c>.</param>
internal readonly record struct UsableMember<T>(string Call, string Name, T Returned, bool IsSpecial = false)
    where T : class;
