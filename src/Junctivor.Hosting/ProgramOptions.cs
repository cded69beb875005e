namespace Junctivor;

/// <summary>How <see cref="WiredProgram"/> runs a program. Immutable.</summary>
public sealed record ProgramOptions
{
    private readonly TextWriter? _errors;

    /// <summary>The time limit for winding down; 30 seconds by default.</summary>
    public TimeSpan ShutdownTimeout { get; init; } = WiredHost.DefaultShutdownTimeout;

    /// <summary>Canceled to stop, as by a signal; never by default.</summary>
    public CancellationToken Stop { get; init; }

    /// <summary>Where warnings and failures are written; the standard error of the process by default.</summary>
    public TextWriter Errors
    {
        get => _errors ?? Console.Error;
        init => _errors = value;
    }
}
