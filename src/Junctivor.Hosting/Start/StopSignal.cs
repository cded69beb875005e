using System.Runtime.InteropServices;

namespace Junctivor.Hosting;

/// <summary>Tells when the process is to stop: the first signal cancels, the second one ends the process, as if nobody listened.</summary>
internal sealed class StopSignal : IDisposable
{
    private const int ByInterrupt = 130;
    private const int ByTermination = 143;

    private readonly CancellationTokenSource _source;
    private readonly PosixSignalRegistration _interrupt;
    private readonly PosixSignalRegistration _termination;

    public StopSignal(CancellationToken cancellationToken)
    {
        _source = CancellationTokenSource.CreateLinkedTokenSource(cancellationToken);
        _interrupt = PosixSignalRegistration.Create(PosixSignal.SIGINT, signal => Stop(signal, ByInterrupt));
        _termination = PosixSignalRegistration.Create(PosixSignal.SIGTERM, signal => Stop(signal, ByTermination));
    }

    public CancellationToken Token => _source.Token;

    /// <summary>What a program returns whose work was canceled, as shells expect it.</summary>
    public int ExitCode { get; private set; } = ByTermination;

    /// <summary>Stops as a signal does.</summary>
    public Task CancelAsync() => _source.CancelAsync();

    public void Dispose()
    {
        _interrupt.Dispose();
        _termination.Dispose();
        _source.Dispose();
    }

    private void Stop(PosixSignalContext signal, int exitCode)
    {
        if (!_source.IsCancellationRequested)
        {
            signal.Cancel = true;
            ExitCode = exitCode;
            _source.Cancel();
        }
    }
}
