namespace Junctivor.Graph;

/// <summary>Something that was written behind an entry and means nothing there.</summary>
/// <param name="Reason">Why, as a sentence.</param>
/// <param name="Option">The option to remove; null if it is not an option that is wrong.</param>
/// <param name="Naming">What the call of the option names, where there may be several calls; null for all.</param>
internal sealed record MeaninglessOption(string Reason, string? Option = null, string? Naming = null);
