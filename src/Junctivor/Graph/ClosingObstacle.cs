namespace Junctivor.Graph;

/// <summary>Why an open generic registration cannot be closed for a service.</summary>
/// <param name="Reason">A sentence.</param>
/// <param name="Advice">What removes the obstacle, in words; null where nothing does.</param>
internal sealed record ClosingObstacle(string Reason, string? Advice = null);
