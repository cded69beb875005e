namespace Junctivor.Runtime;

/// <summary>Ends what a container or scope owns: every one is tried, and what they throw is thrown together.</summary>
internal static class Ending
{
    /// <summary>Ends what can be ended synchronously, the first in the list first.</summary>
    /// <returns>What these threw.</returns>
    public static IReadOnlyList<Exception> End(IEnumerable<Owned> owned, Resolver where)
    {
        List<Exception>? failures = null;
        foreach (Owned made in owned)
        {
            End((IDisposable)made.Instance, where, ref failures);
        }

        return failures ?? [];
    }

    /// <summary>Ends the instances of a container or scope synchronously; leaves with it, and names, those that can end only asynchronously.</summary>
    public static void End(ReadOnlyMemory<Owned> instances, Resolver where, ref List<Exception>? failures)
    {
        List<Owned>? left = null;
        foreach (Owned made in instances.Span)
        {
            if (made.EndsOnlyAsynchronously)
            {
                (left ??= []).Add(made);
            }
            else
            {
                End((IDisposable)made.Instance, where, ref failures);
            }
        }

        if (left is not null)
        {
            where.Store.TakeBack(left);
            (failures ??= []).Add(OnlyAsynchronously(left, where.Description));
        }
    }

    /// <summary>Ends one instance synchronously.</summary>
    public static void End(IDisposable instance, Resolver where, ref List<Exception>? failures)
    {
        Exception? failure = null;
        try
        {
            instance.Dispose();
        }
#pragma warning disable CA1031 // The others must be ended too; this one is thrown at the end.
        catch (Exception thrown)
#pragma warning restore CA1031
        {
            (failures ??= []).Add(failure = thrown);
        }

        Tell(instance, where, failure);
    }

    /// <summary>Begins the end of one instance.</summary>
    /// <returns>Whether it has ended; if not, <paramref name="ending"/> is to be awaited with <see cref="EndedAsync"/>.</returns>
    public static bool TryEndAtOnce(object instance, Resolver where, ref List<Exception>? failures, out ValueTask ending)
    {
        Exception? failure = null;
        ending = default;
        try
        {
            ending = EndAsync(instance);
            if (!ending.IsCompletedSuccessfully)
            {
                return false;
            }
        }
#pragma warning disable CA1031 // The others must be ended too; this one is thrown at the end.
        catch (Exception thrown)
#pragma warning restore CA1031
        {
            (failures ??= []).Add(failure = thrown);
        }

        Tell(instance, where, failure);
        return true;
    }

    /// <summary>Awaits the end of one instance.</summary>
    /// <returns>What was thrown until now.</returns>
    public static async ValueTask<List<Exception>?> EndedAsync(ValueTask ending, object instance, Resolver where, List<Exception>? failures)
    {
        Exception? failure = null;
        try
        {
            await ending.ConfigureAwait(false);
        }
#pragma warning disable CA1031 // The others must be ended too; this one is thrown at the end.
        catch (Exception thrown)
#pragma warning restore CA1031
        {
            (failures ??= []).Add(failure = thrown);
        }

        Tell(instance, where, failure);
        return failures;
    }

    /// <summary>Ends one instance.</summary>
    /// <returns>What was thrown until now.</returns>
    public static ValueTask<List<Exception>?> EndAsync(object instance, Resolver where, List<Exception>? failures) =>
        TryEndAtOnce(instance, where, ref failures, out ValueTask ending) ? new(failures) : EndedAsync(ending, instance, where, failures);

    /// <summary>Ends all, the first in the list first.</summary>
    /// <returns>What was thrown until now.</returns>
    public static async ValueTask<List<Exception>?> EndAsync(ReadOnlyMemory<Owned> owned, Resolver where, List<Exception>? failures = null)
    {
        for (int number = 0; number < owned.Length; number++)
        {
            failures = await EndAsync(owned.Span[number].Instance, where, failures).ConfigureAwait(false);
        }

        return failures;
    }

    public static void ThrowIfAny(List<Exception>? failures, string what)
    {
        if (failures is { Count: > 0 })
        {
            throw Failed(failures, what);
        }
    }

    public static AggregateException Failed(List<Exception> failures, string what) => new($"Not everything in {what} ended well.", failures);

    private static ValueTask EndAsync(object instance)
    {
        if (instance is IAsyncDisposable asynchronous)
        {
            return asynchronous.DisposeAsync();
        }

        ((IDisposable)instance).Dispose();
        return ValueTask.CompletedTask;
    }

    private static void Tell(object instance, Resolver where, Exception? failure)
    {
        if (where.Root.IsObserved || failure is not null)
        {
            where.Watch.Disposed(instance, where, failure);
        }
    }

    private static InvalidOperationException OnlyAsynchronously(List<Owned> left, string what)
    {
        string names = string.Join(", ", left.Select(made => Reading.TypeNames.Short(made.Instance.GetType())));
        return new($"{names} can end only asynchronously. The rest has ended; end these with DisposeAsync, and write `await using` where {what} is made.");
    }
}
