namespace Junctivor.Runtime;

/// <summary>One go at ending a container, for those to wait who come while somebody is at it.</summary>
/// <param name="isAsynchronous">Whether it also ends what can be disposed only asynchronously.</param>
internal sealed class DisposalPass(bool isAsynchronous)
{
    private readonly TaskCompletionSource _completion = new(TaskCreationOptions.RunContinuationsAsynchronously);

    public bool IsAsynchronous => isAsynchronous;

    /// <summary>Completes when it is over, whether it went well or not.</summary>
    public Task Task => _completion.Task;

    /// <summary>What was thrown, once it is over; null where everything went well.</summary>
    public AggregateException? Failure { get; private set; }

    public void Complete(AggregateException? failure)
    {
        Failure = failure;
        _completion.SetResult();
    }
}
