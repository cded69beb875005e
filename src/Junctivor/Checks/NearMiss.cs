namespace Junctivor.Checks;

/// <summary>Something close to what is missing: what it is, and what to write if it was meant.</summary>
internal sealed record NearMiss(string Remark, Fix? Fix);
