using Junctivor.Runtime;

namespace Junctivor.Registering;

/// <summary>
/// Makes the wrappers of one service type: <c>Lazy</c>, <c>Func</c>, <c>FreshScope</c>. Captured where an entry names
/// the type, so that nothing has to close a generic type at run time, which ahead-of-time code cannot do.
/// </summary>
internal abstract class Wrappers
{
    public abstract Type Type { get; }

    public abstract object Func(Later later);

    public abstract object Lazy(Later later);

    /// <summary>A fresh array, which serves as every kind of list.</summary>
    public abstract object Array(object?[] elements);

    /// <summary>A fresh dictionary by text, or by type.</summary>
    public abstract object Dictionary<TKey>(TKey[] keys, object?[] elements)
        where TKey : notnull;

    public abstract object FreshScope(Later later);
}
