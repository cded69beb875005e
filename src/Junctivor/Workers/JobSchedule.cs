using Junctivor.Runtime;
using Junctivor.Workers;

namespace Junctivor;

/// <summary>
/// Runs jobs at an interval or at a time of day, each run in a scope of its own, and none twice at once: a run that takes longer lets
/// the next ones pass. A job that throws does not stop the schedule. It runs once, after all jobs were added: with
/// <see cref="RunAsync"/>, or from <see cref="StartAsync"/> to <see cref="StopAsync"/>.
/// </summary>
/// <example>
/// <code>
/// JobSchedule schedule = new(container, TimeProvider.System, (job, failure) => LogAsync(job, failure));
/// schedule.Every&lt;TideReader&gt;(TimeSpan.FromMinutes(10), (reader, stop) => reader.ReadAsync(stop));
/// schedule.Daily&lt;NightlyInvoicing&gt;(new TimeOnly(3, 0), (invoicing, stop) => invoicing.RunAsync(stop));
/// await schedule.RunAsync(stop);
/// </code>
/// </example>
public sealed class JobSchedule
{
    /// <summary>Clocks are put right, and timers have a longest wait: so it is looked at the clock again now and then.</summary>
    private static readonly TimeSpan LongestWait = TimeSpan.FromHours(1);

    /// <summary>What timers can tell apart; a shorter wait would be none, and a job that is always due would leave no room for anything else.</summary>
    private static readonly TimeSpan ShortestWait = TimeSpan.FromMilliseconds(1);

    private readonly Container _container;
    private readonly TimeProvider _time;
    private readonly Func<Type, Exception, Task> _onFailure;
    private readonly List<ScheduledJob> _jobs = [];
    private readonly SingleRun _run;

    /// <summary>Makes an empty schedule.</summary>
    /// <param name="container">Where scopes are started.</param>
    /// <param name="time">What the time is, and what waits; <see cref="TimeProvider.System"/>, or a test's own.</param>
    /// <param name="onFailure">Told of each run that failed: the type of the job, and why. If it throws itself, the schedule ends, as nobody could
    /// be told of further failures: runs that have begun are completed.</param>
    /// <exception cref="ArgumentNullException">Something is null.</exception>
    public JobSchedule(Container container, TimeProvider time, Func<Type, Exception, Task> onFailure)
    {
        ArgumentNullException.ThrowIfNull(container);
        ArgumentNullException.ThrowIfNull(time);
        ArgumentNullException.ThrowIfNull(onFailure);
        _container = container;
        _time = time;
        _onFailure = onFailure;
        _run = new SingleRun("schedule", RepeatAsync);
    }

    /// <summary>
    /// Values for the scope of a run, which the wiring promises with <c>Scoped.Incoming</c>, by the type of the job; none by default. What
    /// this throws is told as a failure of the run.
    /// </summary>
    public Func<Type, Incoming[]> Incoming { get; init; } = _ => [];

    /// <summary>Adds a job that runs again and again; first when the interval has passed once.</summary>
    /// <typeparam name="TJob">What is resolved in the scope of each run.</typeparam>
    /// <param name="interval">From the start of one run to the start of the next; more than zero. A job runs at most once in a millisecond: what
    /// comes due more often is left out.</param>
    /// <param name="work">What to do with it. The token is cancelled where the schedule is to end at once.</param>
    /// <exception cref="ArgumentOutOfRangeException">The interval is not more than zero.</exception>
    /// <exception cref="ArgumentNullException"><paramref name="work"/> is null.</exception>
    /// <exception cref="InvalidOperationException">The schedule runs already.</exception>
    public void Every<TJob>(TimeSpan interval, Func<TJob, CancellationToken, Task> work)
        where TJob : notnull
    {
        ArgumentOutOfRangeException.ThrowIfLessThanOrEqual(interval, TimeSpan.Zero);
        Add(new EveryInterval(interval < ShortestWait ? ShortestWait : interval), work);
    }

    /// <summary>Adds a job that runs once a day.</summary>
    /// <typeparam name="TJob">What is resolved in the scope of each run.</typeparam>
    /// <param name="at">The time of day, where the time provider says that it is local. A time that a clock change leaves out comes as much
    /// later as the clock was put on; one that it repeats, comes the first time.</param>
    /// <param name="work">What to do with it. The token is cancelled where the schedule is to end at once.</param>
    /// <exception cref="ArgumentNullException"><paramref name="work"/> is null.</exception>
    /// <exception cref="InvalidOperationException">The schedule runs already.</exception>
    public void Daily<TJob>(TimeOnly at, Func<TJob, CancellationToken, Task> work)
        where TJob : notnull => Add(new OnceADay(at, _time.LocalTimeZone), work);

    /// <summary>Completes when the schedule has ended, whoever began it, and carries what ended it: watch it where it is kept in the background.
    /// Where it is not begun, it does not complete.</summary>
    public Task Completion => _run.Completion;

    /// <summary>Keeps the schedule until it is told to end.</summary>
    /// <param name="stop">Cancelled to end: runs that have begun are completed, and no other begins.</param>
    /// <param name="abort">Cancelled to end at once: handed to the runs.</param>
    /// <returns>What completes when the last scope has ended. It carries what <c>onFailure</c> threw.</returns>
    /// <exception cref="InvalidOperationException">It has run before.</exception>
    public Task RunAsync(CancellationToken stop = default, CancellationToken abort = default) => _run.RunAsync(stop, abort);

    /// <summary>Begins to keep the schedule in the background, until <see cref="StopAsync"/>: made for a <c>WarmUp</c>.</summary>
    /// <returns>What is completed at once.</returns>
    /// <exception cref="InvalidOperationException">It has run before.</exception>
    public Task StartAsync()
    {
        _run.Start();
        return Task.CompletedTask;
    }

    /// <summary>Ends what <see cref="StartAsync"/> began: runs that have begun are completed. Made for a <c>WindDown</c>; does nothing where
    /// nothing was begun, or it has been ended.</summary>
    /// <param name="abort">Cancelled to end at once: handed to the runs.</param>
    /// <returns>What completes when the last scope has ended. It carries what <see cref="RunAsync"/> would.</returns>
    public Task StopAsync(CancellationToken abort = default) => _run.StopAsync(abort);

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
            throw new InvalidOperationException("The schedule runs already: add its jobs before.");
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
                await Task.Delay(left < ShortestWait ? ShortestWait : left < LongestWait ? left : LongestWait, _time, ending).ConfigureAwait(false);
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
            Scope scope = await _container.StartScopeAsync(abort, Incoming(job.Type) ?? []).ConfigureAwait(false);
            await ScopedWork.RunAsync(scope, () => job.Work(scope, abort)).ConfigureAwait(false);
        }
        catch (OperationCanceledException) when (abort.IsCancellationRequested)
        {
            // It was told to end at once.
        }
#pragma warning disable CA1031 // Whatever a job throws belongs to its run, and not to the schedule.
        catch (Exception failure)
#pragma warning restore CA1031
        {
            await _onFailure(job.Type, failure).ConfigureAwait(false);
        }
    }
}
