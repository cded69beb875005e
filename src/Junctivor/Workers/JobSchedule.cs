using Junctivor.Runtime;
using Junctivor.Workers;

namespace Junctivor;

/// <summary>
/// Runs jobs at an interval or at a time of day, each run in its own scope. A job never runs twice at the same time: runs that come due
/// during a run are skipped. A job that throws does not stop the schedule. A schedule runs once, after all jobs were added: with
/// <see cref="RunAsync"/>, or from <see cref="StartAsync"/> to <see cref="StopAsync"/>. Add jobs from one thread; the other members are
/// safe for use by several threads.
/// </summary>
/// <example>
/// <code>
/// JobSchedule schedule = new(container, (job, failure) => LogAsync(job, failure));
/// schedule.Every&lt;TideReader&gt;(TimeSpan.FromMinutes(10), (reader, stop) => reader.ReadAsync(stop));
/// schedule.Daily&lt;NightlyRun&gt;(new TimeOnly(3, 0), (run, stop) => run.RunAsync(stop));
/// await schedule.RunAsync(stop);
/// </code>
/// </example>
public sealed class JobSchedule
{
    /// <summary>Clocks are adjusted, and timers have a longest interval: so the clock is read again now and then.</summary>
    private static readonly TimeSpan LongestWait = TimeSpan.FromHours(1);

    /// <summary>The resolution of timers; with a shorter wait a job that is always due would block everything else.</summary>
    private static readonly TimeSpan ShortestWait = TimeSpan.FromMilliseconds(1);

    private readonly Container _container;
    private readonly TimeProvider _time;
    private readonly Func<Type, Exception, Task> _onFailure;
    private readonly List<ScheduledJob> _jobs = [];
    private readonly SingleRun _run;

    /// <summary>Creates an empty schedule.</summary>
    /// <param name="container">The container in which the scopes are started.</param>
    /// <param name="onFailure">Called with the type of the job and the exception of each run that failed. If it throws, the schedule stops,
    /// because further failures could not be reported: runs that have started are completed.</param>
    /// <param name="time">The clock and its timers; <see cref="TimeProvider.System"/> if it is null.</param>
    /// <exception cref="ArgumentNullException">An argument other than <paramref name="time"/> is null.</exception>
    public JobSchedule(Container container, Func<Type, Exception, Task> onFailure, TimeProvider? time = null)
    {
        ArgumentNullException.ThrowIfNull(container);
        ArgumentNullException.ThrowIfNull(onFailure);
        _container = container;
        _time = time ?? TimeProvider.System;
        _onFailure = onFailure;
        _run = new SingleRun("schedule", RepeatAsync);
    }

    /// <summary>
    /// Returns the values for the scope of a run, which the wiring declares with <c>Scoped.Incoming</c>, by the type of the job. None by
    /// default. An exception of this function is reported as a failure of the run.
    /// </summary>
    public Func<Type, Incoming[]> IncomingFor { get; init; } = _ => [];

    /// <summary>Adds a job that runs at an interval, the first time after one interval.</summary>
    /// <typeparam name="TJob">The service that is resolved in the scope of each run.</typeparam>
    /// <param name="interval">The time from the start of one run to the start of the next, greater than zero. A job runs at most once per
    /// millisecond.</param>
    /// <param name="work">The work. Its token is canceled when <see cref="StopAsync"/> is canceled.</param>
    /// <exception cref="ArgumentOutOfRangeException">The interval is not greater than zero.</exception>
    /// <exception cref="ArgumentNullException"><paramref name="work"/> is null.</exception>
    /// <exception cref="InvalidOperationException">The schedule was started already.</exception>
    public void Every<TJob>(TimeSpan interval, Func<TJob, CancellationToken, Task> work)
        where TJob : notnull
    {
        ArgumentOutOfRangeException.ThrowIfLessThanOrEqual(interval, TimeSpan.Zero);
        Add(new EveryInterval(interval < ShortestWait ? ShortestWait : interval), work);
    }

    /// <summary>Adds a job that runs once a day.</summary>
    /// <typeparam name="TJob">The service that is resolved in the scope of each run.</typeparam>
    /// <param name="at">The time of day in the local time zone of the time provider. A time that a clock change skips is moved by the
    /// length of the change; of a time that it repeats, the first counts.</param>
    /// <param name="work">The work. Its token is canceled when <see cref="StopAsync"/> is canceled.</param>
    /// <exception cref="ArgumentNullException"><paramref name="work"/> is null.</exception>
    /// <exception cref="InvalidOperationException">The schedule was started already.</exception>
    public void Daily<TJob>(TimeOnly at, Func<TJob, CancellationToken, Task> work)
        where TJob : notnull => Add(new OnceADay(at, _time.LocalTimeZone), work);

    /// <summary>Completes when the schedule has stopped, and fails with the exception that stopped it: watch it if the schedule runs in the
    /// background. Does not complete if the schedule is never started.</summary>
    public Task Completion => _run.Completion;

    /// <summary>Runs the jobs until the token is canceled.</summary>
    /// <param name="cancellationToken">Cancel this token to stop gracefully: runs that have started are completed, and no other starts. To
    /// abort those as well, call <see cref="StopAsync"/> with a token.</param>
    /// <returns>A task that completes when the last scope is disposed. It fails with the exception of <c>onFailure</c>.</returns>
    /// <exception cref="InvalidOperationException">It was started before.</exception>
    public Task RunAsync(CancellationToken cancellationToken = default) => _run.RunAsync(cancellationToken);

    /// <summary>Starts to run the jobs in the background, until <see cref="StopAsync"/>: for a <c>WarmUp</c>.</summary>
    /// <param name="cancellationToken">If it is already canceled, nothing starts. It does not stop what has started.</param>
    /// <returns>A completed task; a canceled one if the token was canceled.</returns>
    /// <exception cref="InvalidOperationException">It was started before.</exception>
    public Task StartAsync(CancellationToken cancellationToken = default) => _run.StartAsync(cancellationToken);

    /// <summary>Stops gracefully: runs that have started are completed. For a <c>WindDown</c>. Does nothing if the schedule was not
    /// started, or has stopped.</summary>
    /// <param name="cancellationToken">Canceled to stop no longer gracefully: the tokens of the runs are canceled.</param>
    /// <returns>A task that completes when the last scope is disposed. It fails as that of <see cref="RunAsync"/>.</returns>
    public Task StopAsync(CancellationToken cancellationToken = default) => _run.StopAsync(cancellationToken);

    private async Task RepeatAsync(CancellationToken stop, CancellationToken abort)
    {
        using CancellationTokenSource ending = CancellationTokenSource.CreateLinkedTokenSource(stop, abort);
        await Task.WhenAll(_jobs.Select(job => RepeatAsync(job, ending, abort))).ConfigureAwait(false);
    }

    private void Add<TJob>(Recurrence recurrence, Func<TJob, CancellationToken, Task> work)
        where TJob : notnull
    {
        ArgumentNullException.ThrowIfNull(work);
        if (_run.HasBegun)
        {
            throw new InvalidOperationException("The schedule is already running: add jobs before it starts.");
        }

        _jobs.Add(new ScheduledJob(typeof(TJob), recurrence, (scope, abort) => work(scope.Resolve<TJob>(), abort)));
    }

    private async Task RepeatAsync(ScheduledJob job, CancellationTokenSource ending, CancellationToken abort)
    {
        try
        {
            DateTimeOffset due = _time.GetUtcNow();
            while (true)
            {
                due = job.Recurrence.Next(due, _time.GetUtcNow());
                if (!await WaitUntilAsync(due, ending.Token).ConfigureAwait(false))
                {
                    return;
                }

                await RunOnceAsync(job, abort).ConfigureAwait(false);
            }
        }
        catch
        {
            await ending.CancelAsync().ConfigureAwait(false);
            throw;
        }
    }

    private async Task<bool> WaitUntilAsync(DateTimeOffset due, CancellationToken ending)
    {
        try
        {
            TimeSpan left = due - _time.GetUtcNow();
            if (left <= TimeSpan.Zero)
            {
                // A job that is always due must not keep whoever has started the schedule.
                await Task.Yield();
            }

            for (; left > TimeSpan.Zero; left = due - _time.GetUtcNow())
            {
                await Task.Delay(left < ShortestWait ? ShortestWait : left < LongestWait ? left : LongestWait, _time, ending)
                    .ConfigureAwait(false);
            }

            return !ending.IsCancellationRequested;
        }
        catch (OperationCanceledException) when (ending.IsCancellationRequested)
        {
            return false;
        }
    }

    private async Task RunOnceAsync(ScheduledJob job, CancellationToken abort)
    {
        try
        {
            Scope scope = await _container.StartScopeAsync(IncomingFor(job.Type) ?? [], abort).ConfigureAwait(false);
            await ScopedWork.RunAsync(scope, () => job.Work(scope, abort)).ConfigureAwait(false);
        }
        catch (OperationCanceledException) when (abort.IsCancellationRequested)
        {
            // It was aborted.
        }
#pragma warning disable CA1031 // Whatever a job throws belongs to its run, and not to the schedule.
        catch (Exception failure)
#pragma warning restore CA1031
        {
            await _onFailure(job.Type, failure).ConfigureAwait(false);
        }
    }
}
