namespace Junctivor.Workers;

/// <summary>A run that happens once: awaited, or in the background from a start to a stop.</summary>
/// <param name="name">How messages call what runs, such as <c>pump</c>.</param>
/// <param name="run">The run: it drains when its first token is cancelled, and ends at once when its second is.</param>
internal sealed class SingleRun(string name, Func<CancellationToken, CancellationToken, Task> run)
{
    private Func<CancellationToken, Task>? _end;
    private int _runs;

    public bool HasBegun => Volatile.Read(ref _runs) > 0;

    /// <exception cref="InvalidOperationException">It has run before.</exception>
    public async Task RunAsync(CancellationToken stop, CancellationToken abort)
    {
        ThrowIfRun();
        await run(stop, abort).ConfigureAwait(false);
    }

    /// <exception cref="InvalidOperationException">It has run before.</exception>
    public void Start()
    {
        ThrowIfRun();
        CancellationTokenSource stop = new();
        CancellationTokenSource abort = new();
        Task running = run(stop.Token, abort.Token);
        _end = async cancellation =>
        {
            CancellationTokenRegistration registration = cancellation.Register(abort.Cancel);
            await using (registration.ConfigureAwait(false))
            {
                await stop.CancelAsync().ConfigureAwait(false);
                await running.ConfigureAwait(false);
            }

            stop.Dispose();
            abort.Dispose();
        };
    }

    /// <summary>Ends what was started, and completes when it has ended; does nothing where there is nothing to end.</summary>
    public Task StopAsync(CancellationToken abort) => Interlocked.Exchange(ref _end, null)?.Invoke(abort) ?? Task.CompletedTask;

    private void ThrowIfRun()
    {
        if (Interlocked.Increment(ref _runs) > 1)
        {
            throw new InvalidOperationException($"A {name} runs once: make another one.");
        }
    }
}
