namespace Junctivor.Runtime;

/// <summary>Ends what a container or scope owns: every one is tried, and what they throw is thrown together.</summary>
internal static class Ending
{
    /// <summary>Ends what can be ended synchronously, the first in the list first.</summary>
    /// <returns>What these threw.</returns>
    public static IReadOnlyList<Exception> End(IEnumerable<Owned> owned)
    {
        List<Exception> failures = [];
        foreach (IDisposable instance in owned.Select(made => made.Instance).OfType<IDisposable>())
        {
            try
            {
                instance.Dispose();
            }
#pragma warning disable CA1031 // The others must be ended too; this one is thrown at the end.
            catch (Exception failure)
#pragma warning restore CA1031
            {
                failures.Add(failure);
            }
        }

        return failures;
    }

    /// <summary>Ends a store's instances synchronously; leaves in it, and names, those that can end only asynchronously.</summary>
    public static void End(InstanceStore store, string what)
    {
        IReadOnlyList<Owned> owned = store.End();
        IReadOnlyList<Owned> left = [.. owned.Where(made => made.EndsOnlyAsynchronously)];
        List<Exception> failures = [.. End(owned.Where(made => !made.EndsOnlyAsynchronously))];
        if (left.Count > 0)
        {
            store.TakeBack(left);
            string names = string.Join(", ", left.Select(made => Reading.TypeNames.Short(made.Instance.GetType())));
            failures.Add(new InvalidOperationException(
                $"{names} can end only asynchronously. The rest has ended; end these with DisposeAsync, and write `await using` where {what} is made."));
        }

        ThrowIfAny(failures, what);
    }

    /// <summary>Ends all, the first in the list first.</summary>
    /// <returns>What these threw.</returns>
    public static async ValueTask<List<Exception>> EndAsync(IEnumerable<Owned> owned)
    {
        List<Exception> failures = [];
        foreach (Owned made in owned)
        {
            try
            {
                await EndAsync(made.Instance).ConfigureAwait(false);
            }
#pragma warning disable CA1031 // The others must be ended too; this one is thrown at the end.
            catch (Exception failure)
#pragma warning restore CA1031
            {
                failures.Add(failure);
            }
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

    public static void ThrowIfAny(List<Exception> failures, string what)
    {
        if (failures.Count > 0)
        {
            throw new AggregateException($"Not everything in {what} ended well.", failures);
        }
    }
}
