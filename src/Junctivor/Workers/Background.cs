namespace Junctivor.Workers;

/// <summary>A run in the background, with what ends it.</summary>
internal static class Background
{
    /// <param name="run">The run: it drains when its first token is cancelled, and ends at once when its second is.</param>
    /// <returns>What ends it, and completes when it has ended; its token is the second one of the run.</returns>
    public static Func<CancellationToken, Task> Start(Func<CancellationToken, CancellationToken, Task> run)
    {
        CancellationTokenSource stop = new();
        CancellationTokenSource abort = new();
        Task running = run(stop.Token, abort.Token);
        return async cancellation =>
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
}
