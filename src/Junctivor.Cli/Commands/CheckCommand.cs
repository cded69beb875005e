using Junctivor.Cli.Loading;
using Junctivor.Cli.Output;
using Junctivor.Reports.Faults;

namespace Junctivor.Cli.Commands;

/// <summary>junctivor check: all wirings of an assembly, each with its report.</summary>
internal static class CheckCommand
{
    public static int Run(FileInfo assembly, string? wiring, BuildOptions options, CheckOutput output) =>
        Report(Waiting.While($"Reading {assembly.Name} …", () => WiringFinder.Find(assembly, wiring)), options, output);

    /// <summary>Writes the report of each, and gives the exit status for them all.</summary>
    public static int Report(IReadOnlyList<FoundWiring> wirings, BuildOptions options, CheckOutput output)
    {
        IReadOnlyList<NamedReport> reports = Waiting.While(
            "Checking …",
            () => wirings.Select(found => new NamedReport(found.Name, found.Wiring.Count, found.Wiring.Check(options))).ToList());
        switch (output.Format)
        {
            case CheckFormat.Json:
                Result.Write(CheckJson.Write(reports), output.File);
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
                });
                break;
        }

        return reports.All(report => report.Report.IsSound) ? ExitStatus.Sound : ExitStatus.FaultsFound;
    }
}
