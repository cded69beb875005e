using Junctivor.Graph;
using Junctivor.Plans;
using Junctivor.Runtime;

namespace Junctivor;

/// <summary>
/// The checked, ready wiring with its singletons, made by <see cref="Wiring.Build(ReadOnlySpan{Incoming})"/>.
/// All members are safe for use by several threads: a singleton is made at most once.
/// </summary>
/// <example>
/// <code>
/// await using Container container = wiring.Build(Incoming.Value(settings));
/// await using Scope request = container.StartScope(Incoming.Value(caller));
/// BookingDesk desk = request.Resolve&lt;BookingDesk&gt;();
/// </code>
/// </example>
public sealed class Container : Resolver
{
    internal Container(PlanBook book, HandedOver values)
        : base(book, null, values)
    {
    }

    internal override string Description => "the container";

    internal override Resolver? HomeOf(Level level) => level == Level.Singleton || level.IsTransient ? this : null;
}
