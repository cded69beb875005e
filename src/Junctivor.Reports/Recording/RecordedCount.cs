namespace Junctivor.Reports.Recording;

/// <summary>How often something was created.</summary>
/// <param name="Key">The key of its box in the drawing.</param>
/// <param name="Created">The instances since the recording began.</param>
/// <param name="Failed">How often its constructor or factory threw.</param>
/// <param name="Open">How many open scopes have an instance of it.</param>
internal sealed record RecordedCount(string Key, int Created, int Failed, int Open);
