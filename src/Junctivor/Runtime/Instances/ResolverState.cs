using Junctivor.Graph;
using Junctivor.Telemetry;

namespace Junctivor.Runtime;

/// <summary>
/// What a container or scope knows beside its instances. All plain scopes of a container share one: a scope of which more is to be said
/// gets one of its own. Only <see cref="Entries"/> and <see cref="Trace"/> change.
/// </summary>
internal sealed record ResolverState
{
    /// <summary>For a container, where a scope has as many slots as it will ever want: below every number of slots.</summary>
    public const int NoSlots = -1;

    /// <summary>The plans by type, as far as they were known when this was read last.</summary>
    public required TypeTable.Entry[] Entries { get; set; }

    public required Container Root { get; init; }

    /// <summary>What it is nested in; null for a container.</summary>
    public required Resolver? Outer { get; init; }

    public required Level Level { get; init; }

    /// <summary>The level as the user named it; null for a container and for a scope of the default level.</summary>
    public ScopeLevel? UsersLevel { get; init; }

    public required SuppliedValues Values { get; init; }

    /// <summary>How many services have a slot in the scope itself; the rest is in <see cref="Store"/>. <see cref="NoSlots"/> where nothing
    /// scoped can be created.</summary>
    public required int Slots { get; init; }

    /// <summary>Keeps the other instances, and knows what is being created; null as long as nobody needed it.</summary>
    public InstanceStore? Store { get; init; }

    /// <summary>Whether it is of a scope of which nothing more is to be said, and so shared with others.</summary>
    public bool IsPlain { get; init; }

    /// <summary>Whether one of its own services was given the scope, and may end it.</summary>
    public bool IsInjected { get; init; }

    /// <summary>What was begun for those who watch; null if nobody does.</summary>
    public ScopeTrace? Trace { get; set; }
}
