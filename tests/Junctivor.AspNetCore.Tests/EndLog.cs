using System.Collections.Concurrent;

namespace Junctivor.AspNetCore.Tests;

/// <summary>Which ledgers are disposed.</summary>
public sealed class EndLog
{
    private readonly ConcurrentDictionary<int, TaskCompletionSource> _ended = new();

    public void HasEnded(int number) => SourceOf(number).SetResult();

    public Task EndOf(int number) => SourceOf(number).Task.WaitAsync(TestContext.Current.CancellationToken);

    private TaskCompletionSource SourceOf(int number) =>
        _ended.GetOrAdd(number, _ => new TaskCompletionSource(TaskCreationOptions.RunContinuationsAsynchronously));
}
