using System.Text.Json.Serialization;
using Junctivor.Reports.Graphs;

namespace Junctivor.Reports.Drawing;

/// <summary>One box of a drawing: a registration or what follows from one, or a service that nobody registers.</summary>
internal sealed record DrawnNode
{
    /// <summary>What edges refer to it by: <c>n1</c>, <c>n2</c> and so on.</summary>
    public required string Key { get; init; }

    /// <summary>The identifier in the saved graph; null for a service that nobody registers.</summary>
    public string? Id { get; init; }

    /// <summary>The short name of the first service.</summary>
    public required string Title { get; init; }

    /// <summary>What creates it, such as the class; empty if the title says so.</summary>
    public string Maker { get; init; } = "";

    /// <summary>The short names of all services.</summary>
    public IReadOnlyList<string> Services { get; init; } = [];

    /// <summary><c>singleton</c>, <c>scoped</c>, <c>transient</c>, the name of a level, or empty.</summary>
    public string Lifetime { get; init; } = "";

    /// <summary>The mark, for people; null for none.</summary>
    public string? Mark { get; init; }

    /// <summary><c>class</c>, <c>factory</c>, <c>async factory</c>, <c>value</c>, <c>incoming</c>, <c>alias</c>, <c>decorator</c>,
    /// <c>missing</c>, or <see cref="SavedRegistration.EntryPoint"/>.</summary>
    public required string Kind { get; init; }

    /// <summary>Whether it resolves services from outside the wiring.</summary>
    [JsonIgnore]
    public bool IsEntryPoint => Kind == SavedRegistration.EntryPoint;

    /// <summary>The namespace of the class.</summary>
    public string Namespace { get; init; } = "";

    /// <summary>The source file, relative to the folder that all registrations share; null if nobody knows.</summary>
    public string? File { get; init; }

    /// <summary>The line in that file, counted from 1; 0 if nobody knows.</summary>
    public int Line { get; init; }

    /// <summary>The module: the member that it is written in; null if nobody knows.</summary>
    public string? Module { get; init; }

    /// <summary>Whether it is resolved from outside.</summary>
    public bool ResolvedDirectly { get; init; }

    /// <summary>The faults that it has part in, by number.</summary>
    public IReadOnlyList<int> Faults { get; init; } = [];

    /// <summary>What differs from another wiring; null if nothing does, or no other one is drawn.</summary>
    public IReadOnlyList<DrawnChange>? Changes { get; init; }
}
