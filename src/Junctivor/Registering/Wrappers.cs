namespace Junctivor.Registering;

/// <summary>
/// Makes the wrappers of one service type: <c>Lazy</c>, <c>Func</c>, <c>FreshScope</c>. Captured where an entry names
/// the type, so that nothing has to close a generic type at run time, which ahead-of-time code cannot do.
/// </summary>
internal abstract class Wrappers
{
    public abstract Type Type { get; }

    public abstract object Func(Func<object> resolve);

    public abstract object Lazy(Func<object> resolve);

    public abstract object FreshScope(Resolver holder, Func<Resolver, object> resolve);
}
