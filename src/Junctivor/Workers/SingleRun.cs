using System.Diagnostics.CodeAnalysis;

namespace Junctivor.Workers;

/// <summary>A run that happens once: awaited, or in the background from a start to a stop.</summary>
/// <param name="name">How messages call what runs, such as <c>pump</c>.</param>
/// <param name="run">The run: it drains when its first token is canceled, and ends at once when its second is.</param>
[SuppressMessage("Design", "CA1001", Justification = "Nothing waits for the tokens, so that there is nothing to dispose of.")]
internal sealed class SingleRun(string name, Func<CancellationToken, CancellationToken, Task> run)
{
    private readonly TaskCompletionSource _completion = new(TaskCreationOptions.RunContinuationsAsynchronously);
    private readonly CancellationTokenSource _stop = new();
    private readonly CancellationTokenSource _abort = new();
    private bool _hasStopped;
    private int _runs;

    public bool HasBegun => Volatile.Read(ref _runs) > 0;

    /// <summary>Completes when the run has stopped, and fails with the exception that stopped it.</summary>
    public Task Completion => _completion.Task;

    /// <exception cref="InvalidOperationException">It has run before.</exception>
    public async Task RunAsync(CancellationToken stop)
    {
        ThrowIfRun();
        using CancellationTokenRegistration registration = stop.Register(_stop.Cancel);
        await RunToEndAsync().ConfigureAwait(false);
    }

    /// <exception cref="InvalidOperationException">It has run before.</exception>
    public Task StartAsync(CancellationToken cancellationToken)
    {
        if (cancellationToken.IsCancellationRequested)
        {
            return Task.FromCanceled(cancellationToken);
        }

        ThrowIfRun();
        _ = RunToEndAsync();
        return Task.CompletedTask;
    }

    /// <summary>Stops what was started, and completes when it has stopped, for all callers; does nothing where nothing was started or it
    /// has stopped.</summary>
    public async Task StopAsync(CancellationToken abort)
    {
        if (!HasBegun || _hasStopped)
        {
            return;
        }

        CancellationTokenRegistration registration = abort.Register(_abort.Cancel);
        await using (registration.ConfigureAwait(false))
        {
            await _stop.CancelAsync().ConfigureAwait(false);
            try
            {
                await Completion.ConfigureAwait(false);
            }
            finally
            {
                _hasStopped = true;
            }
        }
    }

    private async Task RunToEndAsync()
    {
        try
        {
            await run(_stop.Token, _abort.Token).ConfigureAwait(false);
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
            throw new InvalidOperationException($"A {name} can run only once: create another one.");
        }
    }
}
