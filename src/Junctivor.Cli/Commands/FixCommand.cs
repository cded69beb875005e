using System.CommandLine;
using Junctivor.Cli.Isolation;
using Junctivor.Cli.Loading;
using Junctivor.Cli.Output;
using Junctivor.Fixing;
using Junctivor.Fixing.Editing;
using Junctivor.Reports.Faults;
using Junctivor.Reports.Text;
using Microsoft.CodeAnalysis;

namespace Junctivor.Cli.Commands;

/// <summary>junctivor fix: makes the first fix of each fault in the sources of an assembly.</summary>
internal static class FixCommand
{
    private const double DefaultLimit = 600;

    /// <summary>The command with its arguments and options.</summary>
    /// <param name="process">Runs code of an assembly.</param>
    public static Command Create(AssemblyProcess process)
    {
        Argument<FileInfo> assembly = new("ASSEMBLY")
        {
            Description =
            "The assembly that contains the wirings. Its source files must still be where they were when it was built."
        };
        Option<string?> wiring = CommonOptions.Wiring("Fix only the wiring of this name.");
        Option<bool> strict = CommonOptions.Strict();
        Option<string[]> severity = CommonOptions.Severity();
        Option<bool> dryRun = new("--dry-run") { Description = "Only show what would change." };
        Option<double> limit = CommonOptions.Limit(DefaultLimit);
        Command fix = new("fix", "Applies the first fix of each fault to the source files, and shows the changes before it writes them.")
        {
            assembly, wiring, strict, severity, dryRun, limit,
        };
        fix.SetAction(arguments => process.Run([$"{arguments.GetRequiredValue(assembly)}"], arguments.GetValue(limit), () =>
            Run(
                arguments.GetRequiredValue(assembly),
                arguments.GetValue(wiring),
                SeverityWords.Read(arguments.GetValue(severity) ?? [], arguments.GetValue(strict)),
                arguments.GetValue(dryRun))));
        return fix;
    }

    /// <summary>Shows what is changed, and then writes it.</summary>
    /// <exception cref="CannotCheckException">The assembly or its sources cannot be read, or a source cannot be written.</exception>
    public static int Run(FileInfo file, string? wiring, BuildOptions options, bool isDryRun)
    {
        (Fixer fixer, SourceWirings built) = Waiting.While($"Reading {file.Name} …", () => Fix(file, wiring, options));
        IReadOnlyList<(SyntaxTree Before, SyntaxTree After)> changed = ChangedIn(fixer);
        Screen screen = new(Terminal.Out);
        IReadOnlyList<ReportedFix> done = [.. fixer.Done.Select(each => new ReportedFix(each.Fault, each.Made, each.Obstacle))];
        IReadOnlyList<ChangedSource> sources =
            [.. changed.Select(pair => new ChangedSource(pair.Before.FilePath, pair.Before.ToString(), pair.After.ToString()))];
        screen.Write(FixText.Lines(done, sources, screen.Width));
        if (wiring is null && built.Unfollowed.Count > 0)
        {
            screen.Write(CheckText.Lay(
                [.. built.Unfollowed.Select(each => new UnfollowedWiring(each.Wiring, each.Reason, each.File, each.Line))], screen.Width));
            screen.Write([[]]);
        }

        IReadOnlyList<string> remarks =
        [
            .. SourceFiles.LinksAmong(changed.Select(pair => pair.Before.FilePath)),
            .. UnseenConfigurations.Of(fixer.Before, fixer.After),
        ];
        if (remarks.Count > 0)
        {
            screen.Write([.. remarks.Select(line => (IReadOnlyList<Piece>)[line]), []]);
        }

        if (changed.Count > 0 && !isDryRun)
        {
            SourceFiles.Write(changed);
        }

        screen.Write([FixText.Summary(done, changed.Count, isDryRun)]);
        return fixer.Done.All(each => each.Obstacle is null) ? ExitStatus.Sound : ExitStatus.FaultsFound;
    }

    private static (Fixer, SourceWirings) Fix(FileInfo file, string? wiring, BuildOptions options)
    {
        FixableAssembly assembly = new(file);
        try
        {
            SourceWirings built = assembly.BuiltBy(options);
            if (wiring is not null || built.HasMarked || built.Count == 0)
            {
                // Finds out whether there is something to check, and says so as the check does.
                WiringFinder.Find(file, wiring);
            }

            Fixer fixer = new(assembly.Sources, sources => assembly.Check(sources, wiring, options));
            fixer.Run(fault => fault.Severity == Severity.Error);
            return (fixer, built);
        }
        catch (CannotEditException problem)
        {
            throw new CannotCheckException($"{file.Name} cannot be fixed, because {problem.Message}");
        }
    }

    private static IReadOnlyList<(SyntaxTree Before, SyntaxTree After)> ChangedIn(Fixer fixer) =>
    [
        .. fixer.Before.SyntaxTrees.Zip(fixer.After.SyntaxTrees)
            .Where(pair => pair.First != pair.Second)
            .OrderBy(pair => pair.First.FilePath, StringComparer.Ordinal),
    ];
}
