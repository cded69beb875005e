namespace Junctivor.Reports.Graphs;

/// <summary>Who answers for a service.</summary>
/// <param name="Service">The full name of the service.</param>
/// <param name="Mark">The mark, a text in quotation marks or the full name of a type; null for none.</param>
/// <param name="By">The registrations, by id, in the order in which a list has them.</param>
public sealed record SavedService(string Service, string? Mark, IReadOnlyList<string> By);
