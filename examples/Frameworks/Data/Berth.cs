namespace Frameworks.Data;

/// <summary>A berth that a vessel has.</summary>
public sealed class Berth
{
    public int Id { get; set; }

    public string Vessel { get; set; } = "";
}
