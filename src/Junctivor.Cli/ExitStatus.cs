namespace Junctivor.Cli;

/// <summary>What the command ends with.</summary>
internal static class ExitStatus
{
    /// <summary>Every wiring is sound.</summary>
    public const int Sound = 0;

    /// <summary>Faults were found.</summary>
    public const int FaultsFound = 1;

    /// <summary>The call or the assembly is at fault.</summary>
    public const int CannotCheck = 2;
}
