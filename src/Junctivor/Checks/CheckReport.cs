using System.Text;
using Junctivor.Checks;

namespace Junctivor;

/// <summary>
/// All faults of a wiring: by severity, root causes first, and then in the order of the registrations.
/// Immutable, and so safe for use by several threads.
/// </summary>
public sealed class CheckReport
{
    private const int StageDigit = 2;

    internal CheckReport(IReadOnlyCollection<Fault> found, IReadOnlyList<Fault> accepted)
    {
        All = found.Count == 0 ? [] : Sorted(found);
        Accepted = accepted;
        Errors = Of(Severity.Error);
        Warnings = Of(Severity.Warning);
        Notes = Of(Severity.Note);
    }

    /// <summary>All faults: errors first, then warnings, then notes.</summary>
    public IReadOnlyList<Fault> All { get; }

    /// <summary>The errors, which stop a build.</summary>
    public IReadOnlyList<Fault> Errors { get; }

    /// <summary>The warnings: most likely mistakes.</summary>
    public IReadOnlyList<Fault> Warnings { get; }

    /// <summary>The notes: worth knowing.</summary>
    public IReadOnlyList<Fault> Notes { get; }

    /// <summary>What registrations accept with <see cref="MarkableRegistration{TSelf}.Accept"/>; in none of the other lists.</summary>
    public IReadOnlyList<Fault> Accepted { get; }

    /// <summary>Whether there is no error; there may be warnings and notes.</summary>
    public bool IsSound => Errors.Count == 0;

    /// <summary>The numbers of faults in words, such as <c>2 errors, 1 warning</c>; <c>sound</c> for none.</summary>
    public string Counts => All.Count == 0
        ? "sound"
        : Join(Count(Errors.Count, "error"), Count(Warnings.Count, "warning"), Count(Notes.Count, "note"));

    /// <summary>The report as text: a line of counts, then each fault after an empty line.</summary>
    /// <returns>Several lines, without a line break at the end.</returns>
    public override string ToString()
    {
        StringBuilder text = new($"The wiring: {Counts}.");
        foreach (Fault fault in All)
        {
            text.Append("\n\n").Append(fault);
        }

        foreach (Fault fault in Accepted)
        {
            text.Append("\n\n").Append(FaultText.WriteAccepted(fault));
        }

        return text.ToString();
    }

    private static IReadOnlyList<Fault> Sorted(IReadOnlyCollection<Fault> found) =>
    [
        .. found
            .OrderByDescending(fault => (int)fault.Severity)
            .ThenBy(Stage)
            .ThenBy(fault => fault.Order)
            .ThenBy(fault => fault.Code, StringComparer.Ordinal),
    ];

    private IReadOnlyList<Fault> Of(Severity severity) => All.Count == 0 ? [] : [.. All.Where(fault => fault.Severity == severity)];

    /// <summary>Root causes come first: what is missing, then what is contradictory, then lifetimes.</summary>
    private static int Stage(Fault fault) => fault.Code[StageDigit];

    private static string Join(params IEnumerable<string> parts) => string.Join(", ", parts.Where(part => part.Length > 0));

    private static string Count(int number, string noun) => number switch
    {
        0 => "",
        1 => $"1 {noun}",
        _ => $"{number} {noun}s",
    };
}
