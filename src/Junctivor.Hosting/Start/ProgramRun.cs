using Junctivor.Checks;

namespace Junctivor.Hosting;

/// <summary>One run of a program without a host.</summary>
/// <param name="container">The container.</param>
/// <param name="options">The time limit, and where failures are written.</param>
/// <param name="stop">Tells when the process is to stop.</param>
internal sealed class ProgramRun(Container container, ProgramOptions options, StopSignal stop)
{
    private const int Failed = 1;

    private int _exitCode;

    /// <param name="work">The work; null to wait until the process is to stop.</param>
    /// <returns>The exit code.</returns>
    public async Task<int> RunAsync(Func<CancellationToken, Task<int>>? work)
    {
        foreach (Fault warning in container.Report.Warnings)
        {
            await options.Errors.WriteLineAsync(
                $"Warning {warning.Kind}: {warning.Summary}. See: {warning.Kind.HelpCommand}").ConfigureAwait(false);
        }

        int IfStopped() => work is null ? 0 : stop.ExitCode;
        if (await TryAsync(() => container.WarmUpAsync(stop.Token), IfStopped).ConfigureAwait(false))
        {
            using IDisposable changes = ChangedWirings.Listen(options.Errors.WriteLine);
            Task watching = WatchAsync();
            await TryAsync(
                async () => _exitCode = await (work is null ? WaitAsync() : work(stop.Token)).ConfigureAwait(false),
                IfStopped).ConfigureAwait(false);
            await stop.CancelAsync().ConfigureAwait(false);
            await watching.ConfigureAwait(false);
            await TryAsync(() => container.WindDownAsync(options.ShutdownTimeout), () => Failed).ConfigureAwait(false);
        }

        return _exitCode;
    }

    private async Task<int> WaitAsync()
    {
        TaskCompletionSource told = new(TaskCreationOptions.RunContinuationsAsynchronously);
        await using (stop.Token.Register(told.SetResult).ConfigureAwait(false))
        {
            await told.Task.ConfigureAwait(false);
        }

        return 0;
    }

    /// <summary>Stops when background work fails; ends when the program is to stop.</summary>
    private async Task WatchAsync()
    {
        Task told = WaitAsync();
        if (await Task.WhenAny(told, container.BackgroundFailure).ConfigureAwait(false) != told)
        {
            await stop.CancelAsync().ConfigureAwait(false);
        }
    }

    /// <summary>Does one step; what it throws is written, and makes the run a failure.</summary>
    private async Task<bool> TryAsync(Func<Task> step, Func<int> ifStopped)
    {
        try
        {
            await step().ConfigureAwait(false);
            return true;
        }
        catch (OperationCanceledException) when (stop.Token.IsCancellationRequested)
        {
            _exitCode = ifStopped();
        }
#pragma warning disable CA1031 // Whatever it is, it is written where the user looks, and is the failure of the program.
        catch (Exception failure)
#pragma warning restore CA1031
        {
            _exitCode = Failed;
            foreach (Exception each in failure is AggregateException several ? [.. several.InnerExceptions] : new[] { failure })
            {
                await options.Errors.WriteLineAsync(TextOf(each)).ConfigureAwait(false);
            }
        }

        return false;
    }

    /// <summary>Ours say what happened in their messages, and have the exception of the user's code inside.</summary>
    private static string TextOf(Exception failure) => failure is JunctivorException
        ? $"{failure.Message}{(failure.InnerException is null ? "" : $"\n{failure.InnerException}")}"
        : $"{failure}";
}
