using Junctivor.Graph;

namespace Junctivor.Reports.Drawing;

/// <summary>One arrow of a drawing: from what requires to what is required.</summary>
internal sealed record DrawnEdge
{
    /// <summary>The key of what requires.</summary>
    public required string From { get; init; }

    /// <summary>The key of what is required.</summary>
    public required string To { get; init; }

    /// <summary>The parameter or property; empty if there is none.</summary>
    public string Parameter { get; init; } = "";

    /// <summary>How it is required: <c>one</c>, <c>list</c>, <c>dictionary</c>, <c>function</c>, <c>lazy</c>, <c>fresh scope</c>,
    /// <c>alias</c>, <c>decorates</c>, <c>missing</c>, <c>ambiguous</c> or <c>unfit</c>.</summary>
    public required string Form { get; init; }

    /// <summary>The faults that it has part in, by number.</summary>
    public IReadOnlyList<int> Faults { get; init; } = [];

    /// <summary><c>added</c> or <c>removed</c>, where two wirings are compared; null for the rest.</summary>
    public string? Change { get; init; }

    /// <summary>Whether it is required later than its holder is created.</summary>
    public bool IsDeferred => DeferredForm.All.Any(form => form.Word == Form);
}
