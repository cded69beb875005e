using Junctivor.Plans;

namespace Junctivor.Registering;

/// <summary>
/// Makes the wrappers of one service type: <c>Lazy</c>, <c>Func</c>, <c>FreshScope</c>. Captured where an entry names
/// the type, so that nothing has to close a generic type at run time, which ahead-of-time code cannot do.
/// </summary>
internal abstract class Wrappers
{
    public abstract Type Type { get; }

    public abstract object Func(Resolver home, Lazy<Plan> planBelow, Type? consumer);

    /// <summary>A fresh one, that gets its value from a function which <see cref="Func"/> made.</summary>
    public abstract object Lazy(object function);

    /// <summary>A fresh array, which serves as every kind of list.</summary>
    public abstract object Array(object?[] elements);

    /// <summary>A fresh dictionary by text, or by type.</summary>
    public abstract object Dictionary<TKey>(TKey[] keys, object?[] elements)
        where TKey : notnull;

    public abstract object FreshScope(Resolver home, Lazy<Plan> planBelow, Type? consumer);
}
