namespace Junctivor.Graph;

/// <summary>What can be written behind an entry, as far as the graph and the rules want to know.</summary>
internal sealed record RegistrationOptions
{
    public static readonly RegistrationOptions None = new();

    public bool IsReplacing { get; init; }

    public bool IsIfMissing { get; init; }

    public bool IsFirstChoice { get; init; }

    /// <summary>Whether it is resolved from outside, and so needs nobody that requests it.</summary>
    public bool IsRoot { get; init; }

    /// <summary>Whether it is something outside the wiring that requests services.</summary>
    public bool IsEntryPoint { get; init; }

    /// <summary>Whether the value is supplied only after the container is built.</summary>
    public bool IsSuppliedLater { get; init; }

    /// <summary>Whether it is owned; null for the default: created instances are owned, values are not.</summary>
    public bool? IsOwned { get; init; }

    /// <summary>Whether something runs when it is warmed up or wound down.</summary>
    public bool HasWarmUp { get; init; }

    /// <summary>The only class that gets it, by its definition; null for all.</summary>
    public TypeRef? OnlyFor { get; init; }

    /// <summary>The kinds of fault that the registration accepts.</summary>
    public IReadOnlyList<Acceptance> Accepted { get; init; } = [];

    /// <summary>The endings that mean nothing on this entry, as written.</summary>
    public IReadOnlyList<MeaninglessOption> Meaningless { get; init; } = [];

    /// <summary>What was passed, and fits no parameter or more than one.</summary>
    public IReadOnlyList<UnmatchedArgument> UnmatchedArguments { get; init; } = [];
}
