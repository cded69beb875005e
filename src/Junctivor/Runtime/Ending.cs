using Junctivor.Telemetry;

namespace Junctivor.Runtime;

/// <summary>Ends what a container or scope owns: every one is tried, and what they throw is thrown together.</summary>
internal static class Ending
{
    /// <summary>Ends what can be ended synchronously, the first in the list first.</summary>
    /// <returns>What these threw.</returns>
    public static IReadOnlyList<Exception> End(IEnumerable<Owned> owned, Resolver where)
    {
        Watch? watch = where.Watch.IsOn ? where.Watch : null;
        List<Exception>? failures = null;
        foreach (Owned made in owned)
        {
            End(made.Instance, where, watch, ref failures);
        }

        return failures ?? [];
    }

    /// <summary>Ends the instances of a container or scope synchronously; leaves with it, and names, those that can end only asynchronously.</summary>
    public static void End(Resolver where)
    {
        ReadOnlySpan<Owned> owned = where.Store.End().Span;
        if (owned.IsEmpty)
        {
            return;
        }

        Watch? watch = where.Watch.IsOn ? where.Watch : null;
        List<Exception>? failures = null;
        List<Owned>? left = null;
        foreach (Owned made in owned)
        {
            if (made.EndsOnlyAsynchronously)
            {
                (left ??= []).Add(made);
            }
            else
            {
                End(made.Instance, where, watch, ref failures);
            }
        }

        if (left is not null)
        {
            where.Store.TakeBack(left);
            (failures ??= []).Add(OnlyAsynchronously(left, where.Description));
        }

        ThrowIfAny(failures, where.Description);
    }

    private static InvalidOperationException OnlyAsynchronously(List<Owned> left, string what)
    {
        string names = string.Join(", ", left.Select(made => Reading.TypeNames.Short(made.Instance.GetType())));
        return new($"{names} can end only asynchronously. The rest has ended; end these with DisposeAsync, and write `await using` where {what} is made.");
    }

    private static void End(object instance, Resolver where, Watch? watch, ref List<Exception>? failures)
    {
        Exception? failure = null;
        try
        {
            (instance as IDisposable)?.Dispose();
        }
#pragma warning disable CA1031 // The others must be ended too; this one is thrown at the end.
        catch (Exception thrown)
#pragma warning restore CA1031
        {
            (failures ??= []).Add(failure = thrown);
        }

        watch?.Disposed(instance, where, failure);
    }

    /// <summary>Ends all, the first in the list first.</summary>
    /// <returns>What these threw; null where nothing did.</returns>
    public static ValueTask<List<Exception>?> EndAsync(ReadOnlyMemory<Owned> owned, Resolver where) =>
        owned.IsEmpty ? default : EndAllAsync(owned, where);

    private static async ValueTask<List<Exception>?> EndAllAsync(ReadOnlyMemory<Owned> owned, Resolver where)
    {
        Watch? watch = where.Watch.IsOn ? where.Watch : null;
        List<Exception>? failures = null;
        for (int number = 0; number < owned.Length; number++)
        {
            object instance = owned.Span[number].Instance;
            Exception? failure = null;
            try
            {
                await EndAsync(instance).ConfigureAwait(false);
            }
#pragma warning disable CA1031 // The others must be ended too; this one is thrown at the end.
            catch (Exception thrown)
#pragma warning restore CA1031
            {
                (failures ??= []).Add(failure = thrown);
            }

            watch?.Disposed(instance, where, failure);
        }

        return failures;
    }

    private static ValueTask EndAsync(object instance)
    {
        if (instance is IAsyncDisposable asynchronous)
        {
            return asynchronous.DisposeAsync();
        }

        ((IDisposable)instance).Dispose();
        return ValueTask.CompletedTask;
    }

    public static void ThrowIfAny(List<Exception>? failures, string what)
    {
        if (failures is { Count: > 0 })
        {
            throw new AggregateException($"Not everything in {what} ended well.", failures);
        }
    }
}
