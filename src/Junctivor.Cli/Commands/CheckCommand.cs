using Junctivor.Cli.Loading;
using Junctivor.Cli.Output;
using Junctivor.Reports.Faults;

namespace Junctivor.Cli.Commands;

/// <summary>junctivor check: all wirings of an assembly, each with its report.</summary>
internal static class CheckCommand
{
    /// <param name="assemblies">The assemblies, which all have wirings.</param>
    /// <param name="wiring">The name of the only wiring to check; null for all.</param>
    /// <param name="options">What counts as a fault.</param>
    /// <param name="output">Where the reports go.</param>
    public static int Run(IReadOnlyList<FileInfo> assemblies, string? wiring, BuildOptions options, CheckOutput output)
    {
        List<FoundWiring> found = [];
        List<string> problems = [];
        List<UnfollowedWiring> unfollowed = [];
        foreach (FileInfo assembly in assemblies)
        {
            FoundWirings read = Waiting.While($"Reading {assembly.Name} …", () => WiringFinder.FindReadable(assembly, wiring));
            string start = assemblies.Count == 1 ? "" : $"{Path.GetFileNameWithoutExtension(assembly.Name)}: ";
            found.AddRange(read.Wirings.Select(each => each with { Name = start + each.Name }));
            unfollowed.AddRange(read.Unfollowed.Select(each => each with { Name = start + each.Name }));
            problems.AddRange(read.Problems);
        }

        int status = found.Count > 0 ? Report(found, unfollowed, options, output) : ExitStatus.CannotCheck;
        WiringFinder.Complain(problems);
        return problems.Count > 0 ? ExitStatus.CannotCheck : status;
    }

    /// <summary>Writes the report of each, and gives the exit status for them all.</summary>
    public static int Report(
        IReadOnlyList<FoundWiring> wirings, IReadOnlyList<UnfollowedWiring> unfollowed, BuildOptions options, CheckOutput output)
    {
        IReadOnlyList<NamedReport> reports = Waiting.While(
            "Checking …",
            () => wirings.Select(found => new NamedReport(found.Name, found.Wiring.Count, found.Check(options))
            {
                EntryPoints = found.EntryPoints.Count,
            }).ToList());
        switch (output.Format)
        {
            case CheckFormat.Json:
                Result.Write(CheckJson.Write(reports, unfollowed), output.File);
                break;
            case CheckFormat.Sarif:
                Result.Write(SarifReport.Write(reports, output.SourceRoot?.FullName), output.File);
                break;
            default:
                Result.Show(output.File, screen =>
                {
                    foreach (NamedReport report in reports)
                    {
                        screen.Write(report);
                    }

                    screen.Write(unfollowed);
                });
                break;
        }

        return reports.All(report => report.Report.IsSound) ? ExitStatus.Sound : ExitStatus.FaultsFound;
    }
}
