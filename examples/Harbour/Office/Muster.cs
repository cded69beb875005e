using System.Collections.Concurrent;

namespace Harbour.Office;

/// <summary>Numbers the instances of each class, so that a reader can see which one served.</summary>
public sealed class Muster
{
    private const int Remembered = 1_000;

    private readonly ConcurrentDictionary<Type, int> _numbers = new();
    private readonly ConcurrentDictionary<int, TaskCompletionSource<VisitEnd>> _ends = new();

    public string Badge(object instance) =>
        $"{instance.GetType().Name}#{_numbers.AddOrUpdate(instance.GetType(), 1, (_, last) => last + 1)}";

    public int NextVisit() => _numbers.AddOrUpdate(typeof(Visit), 1, (_, last) => last + 1);

    /// <summary>Completes when the scope of a visit is disposed, with what it had created and ended by then.</summary>
    public Task<VisitEnd> WhenEnded(int visit) => End(visit).Task;

    /// <summary>The last visits are remembered, so that an office that stays open does not grow.</summary>
    public void HasEnded(int visit, VisitEnd end)
    {
        End(visit).TrySetResult(end);
        _ends.TryRemove(visit - Remembered, out _);
    }

    private TaskCompletionSource<VisitEnd> End(int visit) =>
        _ends.GetOrAdd(visit, _ => new TaskCompletionSource<VisitEnd>(TaskCreationOptions.RunContinuationsAsynchronously));
}
