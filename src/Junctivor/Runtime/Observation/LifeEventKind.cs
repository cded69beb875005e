namespace Junctivor;

/// <summary>The kinds of events.</summary>
public enum LifeEventKind
{
    /// <summary>A constructor or factory returned an instance.</summary>
    Constructed,

    /// <summary>An instance was disposed, or its disposal threw.</summary>
    Disposed,

    /// <summary>A scope was started.</summary>
    ScopeStarted,

    /// <summary>A scope was disposed, after everything in it.</summary>
    ScopeEnded,
}
