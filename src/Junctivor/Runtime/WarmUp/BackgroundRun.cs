using System.Diagnostics.CodeAnalysis;
using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor.Runtime;

/// <summary>Background work of one service, from its start to its stop.</summary>
/// <param name="node">The service.</param>
/// <param name="instance">Its instance.</param>
/// <param name="work">What is written for it.</param>
/// <param name="container">Where it runs.</param>
[SuppressMessage("Design", "CA1001", Justification = "What asks it to stop lives as long as the work, and has no timer to dispose of.")]
internal sealed class BackgroundRun(Node node, object instance, BackgroundWork work, Container container)
{
    private readonly CancellationTokenSource _stop = new();
    private Task _running = Task.CompletedTask;
    private BackgroundException? _failure;

    public void Start() => _running = Task.Run(RunAsync);

    /// <summary>Cancels the work, runs the wind-down of the service, and waits for the end of the work.</summary>
    /// <exception cref="BackgroundException">The work failed, at whatever time.</exception>
    public async Task StopAsync(Func<Task> windDown)
    {
        await _stop.CancelAsync().ConfigureAwait(false);
        await windDown().ConfigureAwait(false);
        await _running.ConfigureAwait(false);
        if (_failure is not null)
        {
            throw _failure;
        }
    }

    private async Task RunAsync()
    {
        StagedWork inside = StagedWork.Begin(container, node, "background work");
        try
        {
            await work.Run(instance, _stop.Token).ConfigureAwait(false);
        }
        catch (OperationCanceledException) when (_stop.IsCancellationRequested)
        {
            // It was asked to stop.
        }
#pragma warning disable CA1031 // Whatever it is, it is told with the name of the service.
        catch (Exception failure)
#pragma warning restore CA1031
        {
            await FailAsync(failure).ConfigureAwait(false);
        }
        finally
        {
            inside.Finish();
        }
    }

    private async Task FailAsync(Exception failure)
    {
        if (work.OnFailure is not null)
        {
            try
            {
                await work.OnFailure(instance, failure).ConfigureAwait(false);
                return;
            }
#pragma warning disable CA1031 // Then nobody was told of the first failure: both are told.
            catch (Exception unsaid)
#pragma warning restore CA1031
            {
                failure = unsaid == failure ? failure : new AggregateException(failure, unsaid);
            }
        }

        _failure = new BackgroundException(node.Name, failure);
        container.TellBackgroundFailure(_failure);
    }
}
