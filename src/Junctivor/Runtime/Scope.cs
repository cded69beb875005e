using Junctivor.Graph;
using Junctivor.Runtime;

namespace Junctivor;

/// <summary>
/// One unit of work: a request, a message, a job; or a scope of a level of your own around them. Everything that belongs
/// to it is made at most once in it, and ends with it. All members are safe for use by several threads.
/// </summary>
public sealed class Scope : Resolver
{
    private readonly Level _level;

    internal Scope(Resolver outer, ScopeLevel? level, HandedOver values)
        : base(outer.Book, outer, values)
    {
        Level = level;
        _level = level?.Level ?? Graph.Level.Scoped;
        Root = outer.Root;
    }

    /// <summary>The level of your own that this is a scope of; null for the default level.</summary>
    public ScopeLevel? Level { get; }

    internal override Container Root { get; }

    internal override string Description => Level is null ? "the scope" : $"the scope of the level {Level}";

    /// <summary>Something scoped belongs to this scope and to none around it; something of a level, to the nearest one of it.</summary>
    internal override Resolver? HomeOf(Level level)
    {
        if (level.IsTransient || level == _level)
        {
            return this;
        }

        return level == Graph.Level.Singleton ? Root
            : level == Graph.Level.Scoped ? null
            : Outer!.HomeOf(level);
    }

    internal override bool CanStart(Level level) =>
        level == Graph.Level.Scoped || (level.Within is not null && level.Within == _level);

    internal override void ThrowIfEnded()
    {
        base.ThrowIfEnded();
        Root.ThrowIfEnded();
    }
}
