namespace Junctivor.Runtime;

/// <summary>One go at ending a container, for those to wait who come while somebody is at it.</summary>
/// <param name="isAsynchronous">Whether it also ends what can be disposed only asynchronously.</param>
internal sealed class DisposalPass(bool isAsynchronous)
{
    private TaskCompletionSource? _completion;
    private bool _isComplete;

    public bool IsAsynchronous => isAsynchronous;

    /// <summary>Completes with the pass. Few wait for one, so it is created for the first who does.</summary>
    public Task Task
    {
        get
        {
            TaskCompletionSource created = new(TaskCreationOptions.RunContinuationsAsynchronously);
            TaskCompletionSource completion = Interlocked.CompareExchange(ref _completion, created, null) ?? created;
            if (Volatile.Read(ref _isComplete))
            {
                completion.TrySetResult();
            }

            return completion.Task;
        }
    }

    public AggregateException? Failure { get; private set; }

    public void Complete(AggregateException? failure)
    {
        Failure = failure;

        // Whoever asks for the task publishes it, and then looks whether the pass is complete: one of both sees the other.
        Interlocked.Exchange(ref _isComplete, true);
        Volatile.Read(ref _completion)?.TrySetResult();
    }
}
