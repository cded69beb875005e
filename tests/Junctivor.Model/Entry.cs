namespace Junctivor.Model;

/// <summary>How long something lives.</summary>
public enum Life
{
    Singleton,
    Shift,
    Scoped,
    Transient,
}

/// <summary>What creates it.</summary>
public enum Making
{
    Class,
    Ending,
    EndingLater,
    ByMark,
    Without,
    Plain,
    Factory,
    Value,
    Incoming,
    Alias,
    Decorator,
    PlainDecorator,
}

/// <summary>How a parameter asks.</summary>
public enum Form
{
    Nothing,
    Part,
    Also,
    Lazy,
    Func,
    List,
    Keyed,
    Fresh,
}

/// <summary>What stands behind a registration.</summary>
public enum Ending
{
    None,
    Replacing,
    IfMissing,
    FirstChoice,
}

/// <summary>A parameter.</summary>
/// <param name="Form">How it asks.</param>
/// <param name="Number">For which service.</param>
public sealed record Need(Form Form, int Number);

/// <summary>One registration of a random wiring.</summary>
public sealed record Entry
{
    public required Making Making { get; init; }

    /// <summary>The number of the service.</summary>
    public required int Number { get; init; }

    public required Life Life { get; init; }

    public required Need One { get; init; }

    public required Need Two { get; init; }

    public string? Mark { get; init; }

    /// <summary>Whether it serves <c>IAlso</c> too; an alias and a decorator, instead.</summary>
    public bool IsAlso { get; init; }

    /// <summary>The mark of what an alias stands for.</summary>
    public string? TargetMark { get; init; }

    public Ending Ending { get; init; }

    /// <summary>Whether it only serves the class of another entry.</summary>
    public int? OnlyFor { get; init; }

    /// <summary>Whether ownership is turned: created things are left undisposed, values are disposed.</summary>
    public bool IsOwnedOtherwise { get; init; }

    /// <summary>Two that say the same are two.</summary>
    public bool Equals(Entry? other) => ReferenceEquals(this, other);

    public override int GetHashCode() => System.Runtime.CompilerServices.RuntimeHelpers.GetHashCode(this);

    public bool IsDecorator => Making is Making.Decorator or Making.PlainDecorator;

    public bool IsClass => Making is Making.Class or Making.Ending or Making.EndingLater or Making.ByMark or Making.Without or Making.Plain;
}
