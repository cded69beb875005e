namespace Junctivor.EntryPoints;

/// <summary>Why it is right to read by reflection what a trimmed program may not have.</summary>
internal static class Trimming
{
    public const string KeptByHost = "What the host creates or calls by reflection, it keeps; of what is trimmed away, nothing is said.";
}
