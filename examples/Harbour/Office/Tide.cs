namespace Harbour.Office;

public sealed record Tide(DateOnly Date, double LowMetres, double HighMetres);
