namespace Harbour.Office;

/// <summary>The berths of the harbour.</summary>
public sealed record Quays(IReadOnlyList<Berth> Berths);
