using System.Runtime.ExceptionServices;
using System.Runtime.InteropServices;
using Junctivor.Hosting;
using Microsoft.Extensions.Hosting;

namespace Junctivor;

/// <summary>
/// Starts and stops a host together with a container: the container warms up before the host listens, and winds down after the last
/// response.
/// </summary>
public static class WiredHost
{
    /// <summary>The default time limit for stopping: 30 seconds.</summary>
    public static readonly TimeSpan DefaultShutdownTimeout = TimeSpan.FromSeconds(30);

    /// <summary>
    /// Runs the host until it is stopped, by a signal such as SIGTERM or Ctrl+C, or by its lifetime. Stopped during the warm-up, it cancels
    /// that, and winds down what was warmed up. If background work fails, it logs that to the log of the host, and stops. Warnings of the
    /// wiring are written to the same log, in the category "Junctivor"; they can also be read in <see cref="Container.Report"/>.
    /// </summary>
    /// <param name="host">The host, such as the application.</param>
    /// <param name="container">The container; it is not disposed.</param>
    /// <returns>A task that completes when everything is wound down.</returns>
    /// <exception cref="ArgumentNullException">An argument is null.</exception>
    /// <exception cref="WarmUpException">A warm-up failed; the host was not started.</exception>
    /// <exception cref="ShutdownTimeoutException">Some requests or services did not complete within <see cref="DefaultShutdownTimeout"/>:
    /// it names them.</exception>
    /// <exception cref="BackgroundException">Background work failed; everything else is wound down.</exception>
    /// <exception cref="AggregateException">A wind-down threw.</exception>
    /// <exception cref="ObjectDisposedException">The container is disposed.</exception>
    public static Task RunWiredAsync(this IHost host, Container container) => host.RunWiredAsync(container, DefaultShutdownTimeout);

    /// <inheritdoc cref="RunWiredAsync(IHost, Container)"/>
    /// <param name="host">The host, such as the application.</param>
    /// <param name="container">The container; it is not disposed.</param>
    /// <param name="limit">The time for the last requests, and again for winding down.</param>
    /// <param name="cancellationToken">Canceled to stop, as by a signal.</param>
    public static async Task RunWiredAsync(
        this IHost host, Container container, TimeSpan limit, CancellationToken cancellationToken = default)
    {
        using CancellationTokenSource ending = CancellationTokenSource.CreateLinkedTokenSource(cancellationToken);
        try
        {
            using (PosixSignalRegistration.Create(PosixSignal.SIGTERM, End))
            using (PosixSignalRegistration.Create(PosixSignal.SIGINT, End))
            {
                await host.StartWarmAsync(container, ending.Token).ConfigureAwait(false);
            }
        }
        catch (OperationCanceledException) when (ending.IsCancellationRequested)
        {
            return;
        }

        using IDisposable changes = ChangedWirings.Listen(change => HostLog.WriteChange(host, change));
        Task asked = host.WaitForStopAsync(ending.Token);
        if (await Task.WhenAny(asked, container.BackgroundFailure).ConfigureAwait(false) != asked)
        {
            HostLog.WriteFailure(host, await container.BackgroundFailure.ConfigureAwait(false));
            await ending.CancelAsync().ConfigureAwait(false);
        }

        await host.StopAndWindDownAsync(container, limit).ConfigureAwait(false);

        void End(PosixSignalContext signal)
        {
            signal.Cancel = true;
            ending.Cancel();
        }
    }

    /// <summary>Writes the warnings of the wiring to the log of the host, warms up the container, and then starts the host. If the host
    /// does not start, the container winds down again.</summary>
    /// <param name="host">The host, such as the application.</param>
    /// <param name="container">The container.</param>
    /// <param name="cancellationToken">Passed to both.</param>
    /// <returns>A task that completes when the host listens.</returns>
    /// <exception cref="ArgumentNullException">An argument is null.</exception>
    /// <exception cref="WarmUpException">A warm-up failed; the host was not started.</exception>
    /// <exception cref="AggregateException">The host did not start, and a wind-down threw: both exceptions are inside.</exception>
    /// <exception cref="ObjectDisposedException">The container is disposed.</exception>
    public static async Task StartWarmAsync(this IHost host, Container container, CancellationToken cancellationToken = default)
    {
        ArgumentNullException.ThrowIfNull(host);
        ArgumentNullException.ThrowIfNull(container);
        HostLog.WriteWarnings(host, HostParts.Of(container).Check(host) ?? container.Report);
        await container.WarmUpAsync(cancellationToken).ConfigureAwait(false);
        try
        {
            await host.StartAsync(cancellationToken).ConfigureAwait(false);
        }
        catch (Exception failure)
        {
            try
            {
                await container.WindDownAsync(CancellationToken.None).ConfigureAwait(false);
            }
            catch (AggregateException woundDown)
            {
                throw new AggregateException(
                    "The host did not start, and winding down failed in part.", [failure, .. woundDown.InnerExceptions]);
            }

            throw;
        }
    }

    /// <summary>Completes when the host is stopping, by a signal or by its lifetime. It does not stop it.</summary>
    /// <param name="host">The host, such as the application.</param>
    /// <param name="cancellationToken">Stops the waiting too.</param>
    /// <returns>A task that completes then.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="host"/> is null.</exception>
    public static async Task WaitForStopAsync(this IHost host, CancellationToken cancellationToken = default)
    {
        ArgumentNullException.ThrowIfNull(host);
        IHostApplicationLifetime lifetime = (IHostApplicationLifetime)host.Services.GetService(typeof(IHostApplicationLifetime))!;
        using CancellationTokenSource ending =
            CancellationTokenSource.CreateLinkedTokenSource(cancellationToken, lifetime.ApplicationStopping);
        TaskCompletionSource told = new(TaskCreationOptions.RunContinuationsAsynchronously);
        using CancellationTokenRegistration registration = ending.Token.Register(told.SetResult);
        await told.Task.ConfigureAwait(false);
    }

    /// <summary>Stops the host, waits for its last requests, and then winds down the container.</summary>
    /// <param name="host">The host, such as the application.</param>
    /// <param name="container">The container; it is not disposed.</param>
    /// <param name="limit">The time for the last requests, and again for winding down. What does not complete then is
    /// not awaited further, and named.</param>
    /// <returns>A task that completes when everything is wound down.</returns>
    /// <exception cref="ArgumentNullException">An argument is null.</exception>
    /// <exception cref="ShutdownTimeoutException">Some requests or services did not complete within the limit: it names them.</exception>
    /// <exception cref="BackgroundException">Background work had failed, and nothing else.</exception>
    /// <exception cref="AggregateException">Stopping the host or winding down threw: all exceptions are inside. The rest was stopped and
    /// wound down nevertheless.</exception>
    /// <exception cref="ObjectDisposedException">The container is disposed.</exception>
    public static async Task StopAndWindDownAsync(this IHost host, Container container, TimeSpan limit)
    {
        ArgumentNullException.ThrowIfNull(host);
        ArgumentNullException.ThrowIfNull(container);
        List<Exception> failures = [];
        using (CancellationTokenSource patience = new(limit))
        {
            try
            {
                await host.StopAsync(patience.Token).ConfigureAwait(false);
            }
            catch (OperationCanceledException) when (patience.IsCancellationRequested)
            {
                // Those that did not end are named below.
            }
            catch (Exception failure)
            {
                failures.Add(failure);
            }
        }

        WindDownTimeoutException? services = null;
        try
        {
            await container.WindDownAsync(limit, CancellationToken.None).ConfigureAwait(false);
        }
        catch (WindDownTimeoutException failure)
        {
            services = failure;
        }
        catch (Exception failure)
        {
            failures.AddRange(failure is AggregateException several ? several.InnerExceptions : [failure]);
        }

        IReadOnlyList<string> requests = HostParts.Of(container).OpenWork();
        if (services is not null || requests.Count > 0)
        {
            failures.Insert(0, new ShutdownTimeoutException(limit, requests, services));
        }

        switch (failures)
        {
            case []:
                break;
            case [ShutdownTimeoutException or ObjectDisposedException or BackgroundException]:
                ExceptionDispatchInfo.Throw(failures[0]);
                break;
            default:
                throw new AggregateException("Stopping the host or winding down failed in part.", failures);
        }
    }
}
