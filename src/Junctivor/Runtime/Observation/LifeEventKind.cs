namespace Junctivor;

/// <summary>What can happen to an instance or a scope.</summary>
public enum LifeEventKind
{
    /// <summary>A constructor or factory gave an instance.</summary>
    Constructed,

    /// <summary>An instance was disposed of, or it was tried and it threw.</summary>
    Disposed,

    /// <summary>A scope was started.</summary>
    ScopeStarted,

    /// <summary>A scope has ended, after everything in it.</summary>
    ScopeEnded,
}
