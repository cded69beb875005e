using System.Text;

namespace Junctivor.Checks;

/// <summary>
/// All that was found in a wiring, in the order in which the registrations were written.
/// Immutable, and so safe for use by several threads.
/// </summary>
public sealed class CheckReport
{
    internal CheckReport(IEnumerable<Fault> found)
    {
        All = [.. found.OrderByDescending(fault => fault.Severity).ThenBy(fault => fault.Order).ThenBy(fault => fault.Code, StringComparer.Ordinal)];
        Faults = [.. All.Where(fault => fault.Severity == Severity.Fault)];
        Warnings = [.. All.Where(fault => fault.Severity == Severity.Warning)];
        Notes = [.. All.Where(fault => fault.Severity == Severity.Note)];
    }

    /// <summary>Everything: faults first, then warnings, then notes.</summary>
    public IReadOnlyList<Fault> All { get; }

    /// <summary>What stops a build.</summary>
    public IReadOnlyList<Fault> Faults { get; }

    /// <summary>What is most likely a mistake.</summary>
    public IReadOnlyList<Fault> Warnings { get; }

    /// <summary>What is worth knowing.</summary>
    public IReadOnlyList<Fault> Notes { get; }

    /// <summary>Whether there is no fault; there may be warnings and notes.</summary>
    public bool IsSound => Faults.Count == 0;

    /// <summary>How many there are of each, in words, such as <c>2 faults, 1 warning</c>; <c>sound</c> where there are none.</summary>
    public string Counts => All.Count == 0
        ? "sound"
        : string.Join(", ", new[] { Count(Faults.Count, "fault"), Count(Warnings.Count, "warning"), Count(Notes.Count, "note") }
            .Where(part => part.Length > 0));

    /// <summary>The report as text: a line of counts, then each fault after an empty line.</summary>
    /// <returns>Several lines, without a line break at the end.</returns>
    public override string ToString()
    {
        StringBuilder text = new($"The wiring: {Counts}.");
        foreach (Fault fault in All)
        {
            text.Append("\n\n").Append(fault);
        }

        return text.ToString();
    }

    private static string Count(int number, string noun) => number switch
    {
        0 => "",
        1 => $"1 {noun}",
        _ => $"{number} {noun}s",
    };
}
