namespace Junctivor.Reports.Faults;

/// <summary>What was found in a wiring, under its name.</summary>
/// <param name="Wiring">What the wiring is called.</param>
/// <param name="Registrations">How many entries it has.</param>
/// <param name="Report">What was found.</param>
public sealed record NamedReport(string Wiring, int Registrations, CheckReport Report)
{
    /// <summary>How many entry points were checked with it; 0 by default.</summary>
    public int EntryPoints { get; init; }
}
