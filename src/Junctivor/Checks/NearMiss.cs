using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>Something close to what is missing: what it is, and what to write if it was meant.</summary>
/// <param name="Remark">What it is, as a sentence.</param>
/// <param name="Fix">What to write; null if nothing fixes it.</param>
/// <param name="Meant">The registration that would meet it; null if there is none yet.</param>
internal sealed record NearMiss(string Remark, Fix? Fix, Node? Meant = null);
