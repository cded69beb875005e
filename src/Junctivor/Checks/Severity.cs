namespace Junctivor;

/// <summary>The severity of a <see cref="Checks.Fault"/>.</summary>
public enum Severity
{
    /// <summary>Worth knowing; stops nothing.</summary>
    Note,

    /// <summary>Most likely a mistake; stops a build only with <see cref="BuildOptions.WarningsAreErrors"/>.</summary>
    Warning,

    /// <summary>Wrong; stops the build.</summary>
    Error,
}
