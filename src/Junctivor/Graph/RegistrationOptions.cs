namespace Junctivor.Graph;

/// <summary>What can be written behind an entry, as far as the graph and the rules want to know.</summary>
internal sealed record RegistrationOptions
{
    public static readonly RegistrationOptions None = new();

    /// <summary>The options without a value.</summary>
    public RegistrationFlags Flags { get; init; }

    /// <summary>Whether it is something outside the wiring that resolves services.</summary>
    public bool IsEntryPoint { get; init; }

    /// <summary>Whether the container disposes it; null for the default: created instances are disposed, values are not.</summary>
    public bool? IsOwned =>
        Has(RegistrationFlags.DisposeAtEnd) ? true : Has(RegistrationFlags.LeaveUndisposed) ? false : null;

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

    /// <summary>Whether an option without a value is set.</summary>
    public bool Has(RegistrationFlags flag) => (Flags & flag) != 0;

    /// <summary>The same with one option more.</summary>
    public RegistrationOptions With(RegistrationFlags flag) => this with { Flags = Flags | flag };
}
