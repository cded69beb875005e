using Junctivor.Graph;
using Junctivor.Runtime;

namespace Junctivor;

/// <summary>
/// One unit of work: a request, a message, a job. Everything scoped is made at most once in it, and ends with it.
/// All members are safe for use by several threads.
/// </summary>
public sealed class Scope : Resolver
{
    private readonly Resolver _container;

    internal Scope(Resolver outer, HandedOver values)
        : base(outer.Book, outer, values) => _container = outer is Scope scope ? scope._container : outer;

    internal override string Description => "the scope";

    internal override Resolver? HomeOf(Level level) => level == Level.Singleton ? _container : this;

    internal override void ThrowIfEnded()
    {
        base.ThrowIfEnded();
        _container.ThrowIfEnded();
    }
}
