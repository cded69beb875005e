using System.Text.Json;
using Junctivor.Checks;

namespace Junctivor.Reports.Faults;

/// <summary>Writes what was found as JSON.</summary>
public static class CheckJson
{
    private const int Version = 1;

    /// <summary>Writes reports down: see docs/formats.md for the form.</summary>
    /// <param name="reports">The reports, one for each wiring.</param>
    /// <returns>Indented JSON with line feeds.</returns>
    /// <exception cref="ArgumentNullException">The value is null.</exception>
    public static string Write(IReadOnlyList<NamedReport> reports) => Write(reports, []);

    /// <summary>Writes reports down, and which wirings the compiler could not follow: see docs/formats.md for the form.</summary>
    /// <param name="reports">The reports, one for each wiring.</param>
    /// <param name="unfollowed">The wirings that the compiler could not follow.</param>
    /// <returns>Indented JSON with line feeds.</returns>
    /// <exception cref="ArgumentNullException">A value is null.</exception>
    public static string Write(IReadOnlyList<NamedReport> reports, IReadOnlyList<UnfollowedWiring> unfollowed)
    {
        ArgumentNullException.ThrowIfNull(reports);
        ArgumentNullException.ThrowIfNull(unfollowed);
        return JsonSerializer.Serialize(
            new
            {
                Format = "junctivor-check",
                Version,
                Wirings = reports.Select(report => new
                {
                    Name = report.Wiring,
                    report.Registrations,
                    report.EntryPoints,
                    report.Report.IsSound,
                    Faults = report.Report.All.Select(Write),
                    Accepted = report.Report.Accepted.Select(Write),
                }),
                Unfollowed = unfollowed.Select(each => new
                {
                    each.Name,
                    each.Reason,
                    File = each.File.Length > 0 ? each.File : null,
                    Line = each.Line > 0 ? each.Line : (int?)null,
                }),
            },
            Json.Full);
    }

    private static object Write(SourceEdit edit) => new
    {
        edit.Kind,
        edit.Text,
        File = edit.File.Length > 0 ? edit.File : null,
        Line = edit.Line > 0 ? edit.Line : (int?)null,
        edit.Type,
        edit.Parameter,
        edit.State,
        TargetFile = edit.TargetFile.Length > 0 ? edit.TargetFile : null,
        TargetLine = edit.TargetLine > 0 ? edit.TargetLine : (int?)null,
    };

    private static object Write(Fault fault) => new
    {
        fault.Code,
        fault.Name,
        Severity = fault.Severity.ToString().ToLowerInvariant(),
        fault.Summary,
        Path = fault.Path.Select(step => new
        {
            step.Depth,
            step.Parameter,
            step.Name,
            Lifetime = step.Lifetime.Length > 0 ? step.Lifetime : null,
            File = step.File.Length > 0 ? step.File : null,
            Line = step.Line > 0 ? step.Line : (int?)null,
        }),
        fault.Remarks,
        Fixes = fault.Fixes.Select(fix => new
        {
            fix.Advice,
            fix.Code,
            fix.ChangesBehavior,
            fix.ByHandBecause,
            Edits = fix.Edits.Select(Write),
        }),
        fault.AcceptedBecause,
        More = fault.Kind.HelpLink,
    };
}
