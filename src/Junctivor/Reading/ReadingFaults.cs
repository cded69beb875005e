using Junctivor.Checks;
using Junctivor.Registering;

namespace Junctivor.Reading;

/// <summary>The faults that a reader finds before any rule: entries that cannot be read, and entry points that cannot be served.</summary>
internal static class ReadingFaults
{
    /// <summary>The faults of entry points that cannot be served.</summary>
    public static IEnumerable<Fault> OfEntryPoints(WiringReader reader) =>
        from each in reader.EntryPoints
        from problem in each.EntryPoint.Problems
        select NotServedFaults.Of(reader.Graph, each.Node, problem.Summary, problem.Fixes);

    /// <summary>The faults of entries that cannot be read.</summary>
    public static IEnumerable<Fault> OfEntries(WiringReader reader) =>
        from entry in reader.Entries
        let source = entry.Source as InstanceSource.Unreadable
        where source is not null
        select source.IsPlugin
            ? PluginSkippedFaults.Of(reader.Graph, source.Reason, RelativeToProgram(source.What), entry.Place)
            : NotConstructibleTypeFaults.Of(reader.Graph, source.What, entry.Level.Name, entry.Place, source.Reason);

    /// <summary>Why some entries cannot be read, as a sentence that names the first; null if all can be read.</summary>
    public static string? FirstOf(IReadOnlyCollection<RegistrationData> entries) => WiringReader.Read(entries).Entries
        .Select(entry => entry.Source)
        .OfType<InstanceSource.Unreadable>()
        .Select(source => $"{source.What} cannot be loaded: {source.Reason}")
        .FirstOrDefault();

    private static string RelativeToProgram(string file)
    {
        string relative = Path.GetRelativePath(AppContext.BaseDirectory, file);
        return relative.StartsWith("..", StringComparison.Ordinal) ? file : relative.Replace('\\', '/');
    }
}
