using System.Diagnostics;
using Junctivor.Graph;
using Junctivor.Runtime;
using Junctivor.Telemetry;

namespace Junctivor;

/// <summary>
/// One unit of work: a request, a message, a job; or a scope of a level of your own around them. Everything that belongs
/// to it is made at most once in it, and ends with it. All members are safe for use by several threads.
/// </summary>
public sealed class Scope : Resolver
{
    private readonly Level _level;
    private ScopeTrace? _trace;

    internal Scope(Resolver outer, ScopeLevel? level, HandedOver values)
        : base(outer.Book, outer, values, outer.Watch)
    {
        Level = level;
        _level = level?.Level ?? Graph.Level.Scoped;
        Root = outer.Root;
    }

    /// <summary>The level of your own that this is a scope of; null for the default level.</summary>
    public ScopeLevel? Level { get; }

    /// <summary>The activity that stands for it; null if nobody wanted one.</summary>
    internal Activity? Activity => _trace?.Activity;

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

    /// <summary>It starts: tells those who want to know.</summary>
    internal void BeWatched() => _trace = Watch.IsOn ? Watch.Started(this, _level.Name) : null;

    /// <summary>Makes its activity the current one, so that what is done in the scope belongs to it. The caller is an asynchronous method,
    /// at whose end that is over.</summary>
    internal void BecomeCurrent()
    {
        if (Activity is { } activity)
        {
            Activity.Current = activity;
        }
    }

    private protected override void Leave()
    {
        if (_trace is not null)
        {
            Watch.Ended(this, _trace);
        }
    }
}
