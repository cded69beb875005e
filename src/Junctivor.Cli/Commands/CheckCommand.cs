using System.CommandLine;
using Junctivor.Cli.Isolation;
using Junctivor.Cli.Loading;
using Junctivor.Cli.Output;
using Junctivor.Reports.Faults;

namespace Junctivor.Cli.Commands;

/// <summary>junctivor check: all wirings of an assembly, each with its report.</summary>
internal static class CheckCommand
{
    /// <summary>The command with its arguments and options.</summary>
    /// <param name="process">Runs code of an assembly.</param>
    public static Command Create(AssemblyProcess process)
    {
        Argument<string[]> targets = new("TARGET")
        {
            Description = "An assembly that contains wirings, or a project or solution, which is built first. Default: the project or "
                + "solution in the current folder.",
            Arity = ArgumentArity.ZeroOrMore,
        };
        Option<string?> wiring = CommonOptions.Wiring("Check only the wiring of this name.");
        Option<bool> strict = CommonOptions.Strict();
        Option<string[]> severity = CommonOptions.Severity();
        Option<CheckFormat> format = CommonOptions.Format<CheckFormat>("The output format; sarif is SARIF 2.1.0, for code-review tools.");
        Option<FileInfo?> output = CommonOptions.Output();
        Option<double> limit = CommonOptions.Limit();
        Option<bool> watch = new("--watch") { Description = "Check again whenever the assembly is built again, until Ctrl+C." };
        Option<DirectoryInfo?> sourceRoot = new("--source-root")
        {
            Description = "The root of relative paths in SARIF; by default the working copy that contains each file.",
            HelpName = "FOLDER"
        };
        Command check = new(
            "check", "Checks every wiring that has [CheckedWiring], with the endpoints of [CheckedEntryPoints], and reports all faults.")
        {
            targets, wiring, strict, severity, format, output, sourceRoot, watch, limit,
        };
        check.SetAction(arguments =>
        {
            CheckOutput written = new(arguments.GetValue(format), arguments.GetValue(output), arguments.GetValue(sourceRoot));
            if (arguments.GetValue(watch) && written is not { Format: CheckFormat.Text, File: null })
            {
                throw new CannotCheckException("--watch shows each report on the screen: leave out --format and --output.");
            }

            string[] named = arguments.GetValue(targets) ?? [];
            return Terminal.IsElsewhere
                ? Run(
                    [.. named.Select(file => new FileInfo(file))],
                    arguments.GetValue(wiring),
                    SeverityWords.Read(arguments.GetValue(severity) ?? [], arguments.GetValue(strict)),
                    written)
                : RunElsewhere(process, named, arguments.GetValue(watch), arguments.GetValue(limit));
        });
        return check;
    }

    /// <summary>Runs the check in a separate process, in which a project is named as the assembly that it builds.</summary>
    private static int RunElsewhere(AssemblyProcess process, string[] named, bool isWatched, double seconds)
    {
        IReadOnlyList<FileInfo> assemblies = CheckedTargets.Assemblies(named);
        string names = string.Join(" and ", assemblies.Select(file => file.Name));
        string[] options = [.. process.WordsWithout(named).Skip(1)];
        return !isWatched ? Check().Show()
            : assemblies is [var only] ? new WatchCommand(only, Check).Run()
            : throw new CannotCheckException($"--watch is for one assembly: name one of {names}.");

        ChildResult Check() => ChildProcess.Run(
            ["check", .. assemblies.Select(file => file.ToString()), .. options], names, TimeSpan.FromSeconds(seconds));
    }

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
