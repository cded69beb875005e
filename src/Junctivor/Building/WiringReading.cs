using Junctivor.Checks;
using Junctivor.Reading;

namespace Junctivor.Building;

/// <summary>A wiring as it was read, and what was found wrong with it, whatever the options make of that.</summary>
/// <param name="Reader">What was read.</param>
/// <param name="Count">How many registrations there were.</param>
/// <param name="Found">What was found.</param>
internal sealed record WiringReading(WiringReader Reader, int Count, IReadOnlyList<Fault> Found)
{
    public static WiringReading Of(WiringReader reader, int count) =>
        new(reader, count, reader.IsAnyUnreadable ? WithUnreadable(reader) : Checker.Inspect(reader.Graph));

    private static IReadOnlyList<Fault> WithUnreadable(WiringReader reader) => [.. Checker.Inspect(reader.Graph), .. reader.Unreadable()];
}
