using Junctivor.Registering;

namespace Junctivor.Runtime;

/// <summary>
/// Creates the wrappers of one service type: <c>Lazy</c>, <c>Func</c>, <c>FreshScope</c>, lists and dictionaries. Comes from a
/// <see cref="TypeToken"/>, so that nothing has to close a generic type at run time.
/// </summary>
internal abstract class WrapperFactory
{
    private static readonly ITypeVisitor Opening = new Visitor();

    public abstract Type Type { get; }

    public static WrapperFactory Of(TypeToken token) => (WrapperFactory)token.Open(Opening);

    public abstract object Func(Resolver home, Lazy<Plan> planBelow, Type? consumer);

    /// <summary>A fresh one, that gets its value from a function which <see cref="Func"/> created.</summary>
    public abstract object Lazy(object function);

    /// <summary>A fresh array, which serves as every kind of list.</summary>
    public abstract object Array(object?[] elements);

    /// <summary>A fresh dictionary by text, or by type.</summary>
    public abstract object Dictionary<TKey>(TKey[] keys, object?[] elements)
        where TKey : notnull;

    public abstract object FreshScope(Resolver home, Lazy<Plan> planBelow, Type? consumer);

    private sealed class Visitor : ITypeVisitor
    {
        public object Visit<T>()
            where T : notnull => WrapperFactory<T>.Instance;
    }
}
