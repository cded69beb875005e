using Junctivor.Checks;
using Junctivor.Reading;
using Junctivor.Registering;

namespace Junctivor.Building;

/// <summary>A wiring as it was read, and what was found wrong with it, whatever the options make of that.</summary>
/// <param name="Reader">What was read.</param>
/// <param name="Count">How many registrations there were.</param>
/// <param name="Found">What was found.</param>
internal sealed record WiringReading(WiringReader Reader, int Count, IReadOnlyList<Fault> Found)
{
    public static WiringReading Of(WiringReader reader, int count) =>
        new(reader, count, reader.IsAnyUnreadable ? WithUnreadable(reader) : Checker.Inspect(reader.Graph));

    /// <summary>Reads a wiring together with the entry points that resolve services from it.</summary>
    public static WiringReading Of(IReadOnlyCollection<RegistrationData> entries, IReadOnlyCollection<EntryPoint> entryPoints)
    {
        WiringReading reading = Of(WiringReader.Read(entries, entryPoints), entries.Count);
        return reading with { Found = [.. reading.Found, .. ReadingFaults.OfEntryPoints(reading.Reader)] };
    }

    public CheckReport ToReport(BuildOptions options) => options.ToReport(Reader.Graph, Found);

    private static IReadOnlyList<Fault> WithUnreadable(WiringReader reader) =>
        [.. Checker.Inspect(reader.Graph), .. ReadingFaults.OfEntries(reader)];
}
