using Junctivor.Hosting;

namespace Junctivor;

/// <summary>
/// Runs a console program or a worker without any host: warm-up, work, Ctrl+C and SIGTERM, wind-down and exit code in one line.
/// </summary>
/// <example>
/// <code>
/// await using Container container = wiring.Build();
/// return await container.RunWiredAsync&lt;NightlyRun&gt;((run, stop) => run.RunAsync(stop));
/// </code>
/// </example>
public static class WiredProgram
{
    /// <summary>
    /// Warms up the container, lets its background work run until the process is stopped by Ctrl+C or SIGTERM, and winds down. A
    /// second signal ends the process at once. Warnings of the wiring, and what fails, are written to the standard error.
    /// </summary>
    /// <param name="container">The container; it is not disposed.</param>
    /// <returns>The exit code of the program: 0 if it was told to stop and everything wound down; 1 if the warm-up, background work or the
    /// wind-down failed.</returns>
    /// <exception cref="ArgumentNullException">An argument is null.</exception>
    public static Task<int> RunWiredAsync(this Container container) => container.RunWiredAsync(new ProgramOptions());

    /// <inheritdoc cref="RunWiredAsync(Container)"/>
    /// <param name="container">The container; it is not disposed.</param>
    /// <param name="options">The time limit, and where failures are written.</param>
    public static Task<int> RunWiredAsync(this Container container, ProgramOptions options) => RunAsync(container, null, options);

    /// <summary>
    /// Warms up the container, runs some work with a service in a scope of its own, and winds down. Ctrl+C and SIGTERM cancel the token of
    /// the work; a second signal ends the process at once. Warnings of the wiring, and what fails, are written to the standard error.
    /// </summary>
    /// <typeparam name="T">The service.</typeparam>
    /// <param name="container">The container; it is not disposed.</param>
    /// <param name="work">The work. Its token is canceled when the process is stopped, or background work fails.</param>
    /// <returns>The exit code of the program: 0 if the work completed; 1 if it failed, or the warm-up, background work or the wind-down
    /// did; 130 if Ctrl+C canceled the work, and 143 if SIGTERM or <see cref="ProgramOptions.Stop"/> did.</returns>
    /// <exception cref="ArgumentNullException">An argument is null.</exception>
    public static Task<int> RunWiredAsync<T>(this Container container, Func<T, CancellationToken, Task> work)
        where T : notnull => container.RunWiredAsync(work, new ProgramOptions());

    /// <inheritdoc cref="RunWiredAsync{T}(Container, Func{T, CancellationToken, Task})"/>
    /// <param name="container">The container; it is not disposed.</param>
    /// <param name="work">The work. Its token is canceled when the process is stopped, or background work fails.</param>
    /// <param name="options">The time limit, and where failures are written.</param>
    public static Task<int> RunWiredAsync<T>(this Container container, Func<T, CancellationToken, Task> work, ProgramOptions options)
        where T : notnull
    {
        ArgumentNullException.ThrowIfNull(work);
        return container.RunWiredAsync<T>(
            async (service, stop) =>
            {
                await work(service, stop).ConfigureAwait(false);
                return 0;
            },
            options);
    }

    /// <inheritdoc cref="RunWiredAsync{T}(Container, Func{T, CancellationToken, Task})"/>
    /// <param name="container">The container; it is not disposed.</param>
    /// <param name="work">The work, which returns the exit code. Its token is canceled when the process is stopped, or background
    /// work fails.</param>
    public static Task<int> RunWiredAsync<T>(this Container container, Func<T, CancellationToken, Task<int>> work)
        where T : notnull => container.RunWiredAsync(work, new ProgramOptions());

    /// <inheritdoc cref="RunWiredAsync{T}(Container, Func{T, CancellationToken, Task})"/>
    /// <param name="container">The container; it is not disposed.</param>
    /// <param name="work">The work, which returns the exit code. Its token is canceled when the process is stopped, or background
    /// work fails.</param>
    /// <param name="options">The time limit, and where failures are written.</param>
    public static Task<int> RunWiredAsync<T>(this Container container, Func<T, CancellationToken, Task<int>> work, ProgramOptions options)
        where T : notnull
    {
        ArgumentNullException.ThrowIfNull(work);
        return RunAsync(
            container,
            async stop =>
            {
                Scope scope = await container.StartScopeAsync(cancellationToken: stop).ConfigureAwait(false);
                await using (scope.ConfigureAwait(false))
                {
                    return await work(scope.Resolve<T>(), stop).ConfigureAwait(false);
                }
            },
            options);
    }

    private static async Task<int> RunAsync(Container container, Func<CancellationToken, Task<int>>? work, ProgramOptions options)
    {
        ArgumentNullException.ThrowIfNull(container);
        ArgumentNullException.ThrowIfNull(options);
        using StopSignal stop = new(options.Stop);
        return await new ProgramRun(container, options, stop).RunAsync(work).ConfigureAwait(false);
    }
}
