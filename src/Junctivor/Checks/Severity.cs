namespace Junctivor;

/// <summary>How much weight a <see cref="Fault"/> has.</summary>
public enum Severity
{
    /// <summary>Worth knowing; stops nothing.</summary>
    Note,

    /// <summary>Most likely a mistake; stops a build only with <see cref="BuildOptions.WarningsAreFaults"/>.</summary>
    Warning,

    /// <summary>Wrong; stops the build.</summary>
    Fault,
}
