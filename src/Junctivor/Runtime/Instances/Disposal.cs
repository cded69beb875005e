using Junctivor.Registering;
namespace Junctivor.Runtime;

/// <summary>Ends what a container or scope owns: every one is tried, and what they throw is thrown together.</summary>
internal static class Disposal
{
    /// <summary>What is being ended in this flow of control, through what is awaited too.</summary>
    private static readonly AsyncLocal<Around?> Current = new();

    /// <summary>How many ends this thread is at.</summary>
    [ThreadStatic]
    private static int Depth;

    /// <summary>Whether the caller is part of the end of a container or scope, and so must not wait for it.</summary>
    public static bool IsInside(Resolver where)
    {
        for (Around? around = Current.Value; around is not null; around = around.Outer)
        {
            if (around.Where == where)
            {
                return true;
            }
        }

        return Depth > 0;
    }

    /// <summary>From here on, what the caller awaits is part of the end of a container or scope. The caller is an asynchronous method, at
    /// whose end that is over.</summary>
    public static void GoInside(Resolver where) => Current.Value = new Around(where, Current.Value);

    /// <summary>Ends the instances of a container or scope synchronously, the first in the list first.</summary>
    /// <param name="instances">The instances.</param>
    /// <param name="where">Where they belong.</param>
    /// <param name="failures">What is thrown.</param>
    /// <param name="left">Those that can be disposed only asynchronously, in the same order; null if there are none.</param>
    public static void Dispose(
        OwnedSlice instances, Resolver where, ref List<Exception>? failures, ref List<OwnedInstance>? left)
    {
        for (int number = 0; number < instances.Count; number++)
        {
            OwnedInstance created = instances[number];
            if (created.IsAsyncOnly)
            {
                (left ??= []).Add(created);
            }
            else
            {
                Dispose((IDisposable)created.Instance, where, ref failures);
            }
        }
    }

    /// <summary>Ends one instance synchronously.</summary>
    public static void Dispose(IDisposable instance, Resolver where, ref List<Exception>? failures)
    {
        Exception? failure = null;
        Depth++;
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

        Depth--;
        Report(instance, where, failure, ref failures);
    }

    /// <summary>Leaves with a container or scope what can be disposed only asynchronously, and names it.</summary>
    public static void Leave(List<OwnedInstance> left, Resolver where, ref List<Exception>? failures)
    {
        where.Store.TakeBack(left);
        (failures ??= []).Add(new InvalidOperationException(
            $"{NamesOf(left)} can be disposed only asynchronously. The rest was disposed; dispose these with DisposeAsync, and write "
                + $"`await using` for {where.Description}."));
    }

    /// <summary>Begins the end of what can be disposed only asynchronously, where nobody could come back for it.</summary>
    /// <returns>What is said of it.</returns>
    public static InvalidOperationException DisposeUnawaited(List<OwnedInstance> left, Resolver where)
    {
        List<Exception>? failures = null;
        DisposeUnused(left, where, ref failures);
        return new InvalidOperationException(
            $"{NamesOf(left)} can be disposed only asynchronously. Disposal was started, and is not awaited: call the asynchronous "
                + "method instead.");
    }

    /// <summary>
    /// Ends what was created and came to nothing, the first in the list first: as what it was created for failed, or its container or scope
    /// is disposed meanwhile. What can be disposed only asynchronously begins to dispose now; if that takes time, the asynchronous end of
    /// the container or scope waits for it.
    /// </summary>
    public static void DisposeUnused(IEnumerable<OwnedInstance> unused, Resolver where, ref List<Exception>? failures)
    {
        foreach (OwnedInstance created in unused)
        {
            if (created.Instance is IDisposable disposable)
            {
                Dispose(disposable, where, ref failures);
            }
            else if (!TryDispose(created.Instance, where, ref failures, out ValueTask ending))
            {
                where.Store.TakeBack([OwnedInstance.New(new UnderWay(AwaitDisposalAsync(ending, created.Instance, where, null).AsTask()))]);
            }
        }
    }

    /// <summary>Begins the end of one instance.</summary>
    /// <returns>Whether it is disposed; if not, <paramref name="ending"/> is to be awaited with <see cref="AwaitDisposalAsync"/>.</returns>
    public static bool TryDispose(object instance, Resolver where, ref List<Exception>? failures, out ValueTask ending)
    {
        Exception? failure = null;
        bool hasEnded = true;
        ending = default;
        try
        {
            ending = DisposeAsync(instance);
            hasEnded = ending.IsCompletedSuccessfully;
        }
#pragma warning disable CA1031 // The others must be ended too; this one is thrown at the end.
        catch (Exception thrown)
#pragma warning restore CA1031
        {
            (failures ??= []).Add(failure = thrown);
        }

        if (hasEnded)
        {
            Report(instance, where, failure, ref failures);
        }

        return hasEnded;
    }

    /// <summary>Awaits the end of one instance.</summary>
    /// <returns>What was thrown until now.</returns>
    public static async ValueTask<List<Exception>?> AwaitDisposalAsync(
        ValueTask ending, object instance, Resolver where, List<Exception>? failures)
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

        Report(instance, where, failure, ref failures);
        return failures;
    }

    /// <summary>Ends one instance.</summary>
    /// <returns>What was thrown until now.</returns>
    public static ValueTask<List<Exception>?> DisposeAsync(object instance, Resolver where, List<Exception>? failures)
    {
        Depth++;
        bool hasEnded = TryDispose(instance, where, ref failures, out ValueTask ending);
        Depth--;
        return hasEnded ? new(failures) : AwaitDisposalAsync(ending, instance, where, failures);
    }

    /// <summary>Ends all, the first in the list first.</summary>
    /// <returns>What was thrown until now.</returns>
    public static async ValueTask<List<Exception>?> DisposeAsync(
        OwnedSlice owned, Resolver where, List<Exception>? failures = null)
    {
        for (int number = 0; number < owned.Count; number++)
        {
            failures = await DisposeAsync(owned[number].Instance, where, failures).ConfigureAwait(false);
        }

        return failures;
    }

    public static AggregateException? FailureOf(List<Exception>? failures, string what) => failures is { Count: > 0 }
        ? new($"Disposing {what} failed in part.", failures)
        : null;

    private static ValueTask DisposeAsync(object instance)
    {
        if (instance is IAsyncDisposable asynchronous)
        {
            return asynchronous.DisposeAsync();
        }

        ((IDisposable)instance).Dispose();
        return ValueTask.CompletedTask;
    }

    /// <summary>Tells those who want to know that an instance was ended, or threw. What they throw themselves keeps nothing from
    /// ending.</summary>
    public static void Report(object instance, Resolver where, Exception? failure, ref List<Exception>? failures)
    {
        if ((where.Root.IsObserved || failure is not null) && instance is not UnderWay)
        {
            try
            {
                where.Observers.Disposed(instance, where, failure);
            }
#pragma warning disable CA1031 // The others must be ended too; this one is thrown at the end.
            catch (Exception thrown)
#pragma warning restore CA1031
            {
                (failures ??= []).Add(thrown);
            }
        }
    }

    private static string NamesOf(IEnumerable<OwnedInstance> left) =>
        string.Join(", ", left.Select(created => TypeNames.Short(created.Instance.GetType())));

    private sealed record Around(Resolver Where, Around? Outer);

    /// <summary>An end that has begun: whoever can, waits for it.</summary>
    /// <param name="ended">Returns what was thrown; null if nothing was.</param>
    private sealed class UnderWay(Task<List<Exception>?> ended) : IAsyncDisposable, IDisposable
    {
        /// <summary>It ends by itself, and whoever cannot wait lets it.</summary>
        public void Dispose()
        {
        }

        public async ValueTask DisposeAsync()
        {
            if (await ended.ConfigureAwait(false) is { } failures)
            {
                throw failures[0];
            }
        }
    }
}
