using System.Text.Json;

namespace Junctivor.Reports.Comparing;

/// <summary>Writes differences as JSON.</summary>
public static class ComparisonJson
{
    private const int Version = 1;

    /// <summary>Writes differences down: see docs/formats.md for the form.</summary>
    /// <param name="before">What the one wiring is called.</param>
    /// <param name="after">What the other one is called.</param>
    /// <param name="changes">The differences.</param>
    /// <returns>Indented JSON with line feeds.</returns>
    /// <exception cref="ArgumentNullException">The differences are null.</exception>
    public static string Write(string before, string after, IReadOnlyList<GraphChange> changes)
    {
        ArgumentNullException.ThrowIfNull(changes);
        return JsonSerializer.Serialize(
            new
            {
                Format = "junctivor-comparison",
                Version,
                Before = before,
                After = after,
                Changes = changes.Select(change => new
                {
                    change.Kind,
                    change.Service,
                    Before = change.Before.Length > 0 ? change.Before : null,
                    After = change.After.Length > 0 ? change.After : null,
                }),
            },
            Json.Full);
    }
}
