namespace Junctivor.Reports.Recording;

/// <summary>A service that was resolved directly, and not for a parameter.</summary>
/// <param name="At">When, in milliseconds since the recording began.</param>
/// <param name="Number">The instance that it returned.</param>
/// <param name="By">The class or factory that was under construction; null for none.</param>
internal sealed record RecordedRequest(double At, int Number, string? By);
