namespace Junctivor.Reports.Graphs;

/// <summary>One registration of a <see cref="SavedGraph"/>, or what follows from one.</summary>
public sealed record SavedRegistration
{
    /// <summary>What an entry point is created by, which is not a registration, but resolves services from outside the wiring.</summary>
    public const string EntryPoint = "entry point";

    /// <summary>What others refer to it by; readable, and the same as long as services, class and mark are.</summary>
    public required string Id { get; init; }

    /// <summary>What creates it: <c>class</c>, <c>factory</c>, <c>async factory</c>, <c>value</c>, <c>incoming</c>,
    /// <c>alias</c>; or <see cref="EntryPoint"/>.</summary>
    public required string CreatedBy { get; init; }

    /// <summary>The full name of the class, or of what the factory gives, or of what the alias stands for; of an
    /// entry point, its name.</summary>
    public required string Type { get; init; }

    /// <summary>The full names of what it serves.</summary>
    public IReadOnlyList<string> Services { get; init; } = [];

    /// <summary><c>singleton</c>, <c>scoped</c>, <c>transient</c>, or the name of a level.</summary>
    public required string Lifetime { get; init; }

    /// <summary>The mark, a text in quotation marks or the full name of a type; null for none.</summary>
    public string? Mark { get; init; }

    /// <summary>The full name of the only class that gets it; null for all.</summary>
    public string? OnlyFor { get; init; }

    /// <summary>Whether it is a decorator.</summary>
    public bool Decorator { get; init; }

    /// <summary>Those of its services that it does not serve after all: others replace it there, or it stands back.</summary>
    public IReadOnlyList<string> Replaced { get; init; } = [];

    /// <summary>Whether it is resolved from outside.</summary>
    public bool ResolvedDirectly { get; init; }

    /// <summary>The registration that it follows from, by id; null for what was written.</summary>
    public string? FollowsFrom { get; init; }

    /// <summary>What it wraps, by id; null if it wraps nothing.</summary>
    public string? Around { get; init; }

    /// <summary>The source file, relative to the folder that all registrations share; null if it is unknown.</summary>
    public string? File { get; init; }

    /// <summary>The line in that file, counted from 1; 0 if it is unknown.</summary>
    public int Line { get; init; }

    /// <summary>The module that it is in: the member that it is written in, such as <c>HarbourWiring.Storage</c>; null if nobody
    /// knows.</summary>
    public string? Module { get; init; }

    /// <summary>What it requires: the parameters in order, then the properties.</summary>
    public IReadOnlyList<SavedNeed> Needs { get; init; } = [];

    /// <summary>Where it stands in the source; empty if it is unknown.</summary>
    internal string Place => File is null ? "" : $"{File}:{Line}";
}
