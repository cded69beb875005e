using System.Runtime.ExceptionServices;
using System.Runtime.InteropServices;
using Junctivor.Requests;
using Microsoft.Extensions.Hosting;

namespace Junctivor;

/// <summary>
/// The start and the end of a host together with a container: the container warms up before the host listens, and winds down after the host
/// has answered its last request.
/// </summary>
public static class WiredHost
{
    /// <summary>For how long the end is waited for where nothing else is said: 30 seconds.</summary>
    public static readonly TimeSpan DefaultShutdownTimeout = TimeSpan.FromSeconds(30);

    /// <summary>
    /// Runs the host until it is told to end, by a signal such as SIGTERM or Ctrl+C, or by its lifetime. Told to end while it warms up, it stops
    /// that, and winds down what was warm.
    /// </summary>
    /// <param name="host">The host, such as the application.</param>
    /// <param name="container">The container; it is not ended.</param>
    /// <returns>What completes when all has wound down.</returns>
    /// <exception cref="ArgumentNullException">Something is null.</exception>
    /// <exception cref="WarmUpException">Something did not warm up; the host has not started.</exception>
    /// <exception cref="ShutdownTimeoutException">Some requests or services did not end within <see cref="DefaultShutdownTimeout"/>: it says which.</exception>
    /// <exception cref="AggregateException">Something threw when it wound down.</exception>
    /// <exception cref="ObjectDisposedException">The container has ended.</exception>
    public static Task RunWiredAsync(this IHost host, Container container) => host.RunWiredAsync(container, DefaultShutdownTimeout);

    /// <inheritdoc cref="RunWiredAsync(IHost, Container)"/>
    /// <param name="host">The host, such as the application.</param>
    /// <param name="container">The container; it is not ended.</param>
    /// <param name="limit">For how long the last requests are waited for, and then once more for what winds down.</param>
    /// <param name="stop">Cancelled to end, as a signal does.</param>
    public static async Task RunWiredAsync(this IHost host, Container container, TimeSpan limit, CancellationToken stop = default)
    {
        using CancellationTokenSource ending = CancellationTokenSource.CreateLinkedTokenSource(stop);
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

        await host.WaitUntilToldToEndAsync(ending.Token).ConfigureAwait(false);
        await host.StopAndWindDownAsync(container, limit).ConfigureAwait(false);

        void End(PosixSignalContext signal)
        {
            signal.Cancel = true;
            ending.Cancel();
        }
    }

    /// <summary>Warms the container up, and starts the host then. If the host does not start, the container winds down again.</summary>
    /// <param name="host">The host, such as the application.</param>
    /// <param name="container">The container.</param>
    /// <param name="cancellationToken">Handed on to both.</param>
    /// <returns>What completes when the host listens.</returns>
    /// <exception cref="ArgumentNullException">Something is null.</exception>
    /// <exception cref="WarmUpException">Something did not warm up; the host has not started.</exception>
    /// <exception cref="AggregateException">The host did not start, and something threw when it wound down: both are inside.</exception>
    /// <exception cref="ObjectDisposedException">The container has ended.</exception>
    public static async Task StartWarmAsync(this IHost host, Container container, CancellationToken cancellationToken = default)
    {
        ArgumentNullException.ThrowIfNull(host);
        ArgumentNullException.ThrowIfNull(container);
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
                throw new AggregateException("The host did not start, and not everything wound down.", [failure, .. woundDown.InnerExceptions]);
            }

            throw;
        }
    }

    /// <summary>Completes when the host is told to end, by a signal or by its lifetime. It does not end it.</summary>
    /// <param name="host">The host, such as the application.</param>
    /// <param name="stop">Ends the waiting too.</param>
    /// <returns>What completes then.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="host"/> is null.</exception>
    public static async Task WaitUntilToldToEndAsync(this IHost host, CancellationToken stop = default)
    {
        ArgumentNullException.ThrowIfNull(host);
        IHostApplicationLifetime lifetime = (IHostApplicationLifetime)host.Services.GetService(typeof(IHostApplicationLifetime))!;
        using CancellationTokenSource ending = CancellationTokenSource.CreateLinkedTokenSource(stop, lifetime.ApplicationStopping);
        TaskCompletionSource told = new(TaskCreationOptions.RunContinuationsAsynchronously);
        using CancellationTokenRegistration registration = ending.Token.Register(told.SetResult);
        await told.Task.ConfigureAwait(false);
    }

    /// <summary>Stops the host, waits for the requests that it is answering, and winds the container down then.</summary>
    /// <param name="host">The host, such as the application.</param>
    /// <param name="container">The container; it is not ended.</param>
    /// <param name="limit">For how long the last requests are waited for, and then once more for what winds down. What does not end then is
    /// left to itself, and named.</param>
    /// <returns>What completes when all has wound down.</returns>
    /// <exception cref="ArgumentNullException">Something is null.</exception>
    /// <exception cref="ShutdownTimeoutException">Some requests or services did not end within the limit: it says which.</exception>
    /// <exception cref="AggregateException">The host threw when it stopped, or something when it wound down: all of it is inside, and whatever threw,
    /// the rest was stopped and wound down.</exception>
    /// <exception cref="ObjectDisposedException">The container has ended.</exception>
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

        IReadOnlyList<string> requests = OpenRequests.Of(container).Names;
        if (services is not null || requests.Count > 0)
        {
            failures.Insert(0, new ShutdownTimeoutException(limit, requests, services));
        }

        switch (failures)
        {
            case []:
                break;
            case [ShutdownTimeoutException or ObjectDisposedException]:
                ExceptionDispatchInfo.Throw(failures[0]);
                break;
            default:
                throw new AggregateException("The host did not stop well, or not everything wound down.", failures);
        }
    }
}
