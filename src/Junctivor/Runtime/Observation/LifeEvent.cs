namespace Junctivor;

/// <summary>An event in a container, reported by <see cref="Container.Observe"/>. Immutable.</summary>
public sealed record LifeEvent
{
    internal LifeEvent(LifeEventKind kind, string name, object? instance, Resolver where)
    {
        Kind = kind;
        Name = name;
        Instance = instance;
        Where = where;
    }

    /// <summary>What happened.</summary>
    public LifeEventKind Kind { get; }

    /// <summary>The class of the instance as in C# source, such as <c>BookingDesk</c>; for a scope, its level.</summary>
    public string Name { get; }

    /// <summary>The instance; null for a scope.</summary>
    public object? Instance { get; }

    /// <summary>The container or scope that the instance belongs to; for a scope event, the scope itself.</summary>
    public Resolver Where { get; }

    /// <summary>The event in words, such as <c>constructed BookingDesk</c>.</summary>
    /// <returns>The words.</returns>
    public override string ToString() => Kind switch
    {
        LifeEventKind.Constructed => $"constructed {Name}",
        LifeEventKind.Disposed => $"disposed {Name}",
        LifeEventKind.ScopeStarted => $"started {Name}",
        _ => $"ended {Name}",
    };
}
