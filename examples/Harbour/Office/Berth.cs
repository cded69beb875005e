namespace Harbour.Office;

public sealed record Berth(string Name, double LengthMetres, double DepthMetres);
