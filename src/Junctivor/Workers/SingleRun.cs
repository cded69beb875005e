using System.Diagnostics.CodeAnalysis;

namespace Junctivor.Workers;

/// <summary>A run that happens once: awaited, or in the background from a start to a stop.</summary>
/// <param name="name">How messages call what runs, such as <c>pump</c>.</param>
/// <param name="run">The run: it drains when its first token is cancelled, and ends at once when its second is.</param>
[SuppressMessage("Design", "CA1001", Justification = "Nothing waits for the tokens, so that there is nothing to dispose of.")]
internal sealed class SingleRun(string name, Func<CancellationToken, CancellationToken, Task> run)
{
    private readonly TaskCompletionSource _completion = new(TaskCreationOptions.RunContinuationsAsynchronously);
    private readonly CancellationTokenSource _stop = new();
    private readonly CancellationTokenSource _abort = new();
    private Task? _running;
    private bool _hasStopped;
    private int _runs;

    public bool HasBegun => Volatile.Read(ref _runs) > 0;

    /// <summary>Completes when the run has ended, and carries what ended it.</summary>
    public Task Completion => _completion.Task;

    /// <exception cref="InvalidOperationException">It has run before.</exception>
    public async Task RunAsync(CancellationToken stop, CancellationToken abort)
    {
        ThrowIfRun();
        await RunToEndAsync(stop, abort).ConfigureAwait(false);
    }

    /// <exception cref="InvalidOperationException">It has run before.</exception>
    public void Start()
    {
        ThrowIfRun();
        _running = RunToEndAsync(_stop.Token, _abort.Token);
    }

    /// <summary>Ends what was started, and completes when it has ended, for all who ask meanwhile; does nothing where there is nothing to end.</summary>
    public async Task StopAsync(CancellationToken abort)
    {
        if (_running is not { } running || _hasStopped)
        {
            return;
        }

        CancellationTokenRegistration registration = abort.Register(_abort.Cancel);
        await using (registration.ConfigureAwait(false))
        {
            await _stop.CancelAsync().ConfigureAwait(false);
            try
            {
                await running.ConfigureAwait(false);
            }
            finally
            {
                _hasStopped = true;
            }
        }
    }

    private async Task RunToEndAsync(CancellationToken stop, CancellationToken abort)
    {
        try
        {
            await run(stop, abort).ConfigureAwait(false);
            _completion.SetResult();
        }
        catch (Exception failure)
        {
            _completion.SetException(failure);

            // Whoever awaits the run itself gets it too.
            _ = _completion.Task.Exception;
            throw;
        }
    }

    private void ThrowIfRun()
    {
        if (Interlocked.Increment(ref _runs) > 1)
        {
            throw new InvalidOperationException($"A {name} runs once: make another one.");
        }
    }
}
