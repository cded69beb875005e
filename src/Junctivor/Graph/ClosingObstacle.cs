namespace Junctivor.Graph;

/// <summary>Why an open generic registration cannot be closed for a service.</summary>
/// <param name="Reason">A sentence.</param>
/// <param name="Advice">What removes the obstacle, in words; null if nothing does.</param>
/// <param name="Argument">The type argument that does not satisfy a constraint; null if that is not the obstacle.</param>
/// <param name="Missed">The interface that it would have to implement; null if that is not the obstacle.</param>
/// <param name="Unbuilt">The closed class, which a natively compiled program has no code for; null if that is not the obstacle.</param>
internal sealed record ClosingObstacle(
    string Reason, string? Advice = null, TypeRef? Argument = null, TypeRef? Missed = null, TypeRef? Unbuilt = null);
