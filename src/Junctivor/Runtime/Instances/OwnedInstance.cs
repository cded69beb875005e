namespace Junctivor.Runtime;

/// <summary>Something to dispose, with its number in the order of creation.</summary>
internal readonly record struct OwnedInstance(long Number, object Instance)
{
    private static long LastNumber;
    private static long LastValue = long.MinValue;

    public bool IsAsyncOnly => Instance is IAsyncDisposable and not IDisposable;

    /// <summary>A value that was there before anything was created, and so ends last.</summary>
    public static OwnedInstance First(object instance) => new(Interlocked.Increment(ref LastValue), instance);

    /// <summary>Takes an object on, if there is anything to dispose.</summary>
    public static OwnedInstance? Of(object instance) =>
        instance is IDisposable or IAsyncDisposable ? New(instance) : null;

    /// <summary>Takes an object on that has something to dispose, as created just now.</summary>
    public static OwnedInstance New(object instance) => new(Interlocked.Increment(ref LastNumber), instance);
}
