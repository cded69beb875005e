using System.CommandLine;
using Junctivor.Cli.Isolation;
using Junctivor.Cli.Loading;
using Junctivor.Cli.Output;
using Junctivor.Mending.Editing;
using Junctivor.Mending;
using Junctivor.Reports.Faults;
using Junctivor.Reports.Text;
using Microsoft.CodeAnalysis;

namespace Junctivor.Cli.Commands;

/// <summary>junctivor mend: makes the first fix of each fault in the sources of an assembly.</summary>
internal static class MendCommand
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
        Option<string?> wiring = CommonOptions.Wiring("Mend only the wiring of this name.");
        Option<bool> strict = CommonOptions.Strict();
        Option<string[]> severity = CommonOptions.Severity();
        Option<bool> dryRun = new("--dry-run") { Description = "Only show what would change." };
        Option<double> limit = CommonOptions.Limit(DefaultLimit);
        Command mend = new("mend", "Applies the first fix of each fault to the source files, and shows the changes before it writes them.")
        {
            assembly, wiring, strict, severity, dryRun, limit,
        };
        mend.SetAction(arguments => process.Run([$"{arguments.GetRequiredValue(assembly)}"], arguments.GetValue(limit), () =>
            Run(
                arguments.GetRequiredValue(assembly),
                arguments.GetValue(wiring),
                SeverityWords.Read(arguments.GetValue(severity) ?? [], arguments.GetValue(strict)),
                arguments.GetValue(dryRun))));
        return mend;
    }

    /// <summary>Shows what is changed, and then writes it.</summary>
    /// <exception cref="CannotCheckException">The assembly or its sources cannot be read, or a source cannot be written.</exception>
    public static int Run(FileInfo file, string? wiring, BuildOptions options, bool isDryRun)
    {
        (Mender mender, SourceWirings built) = Waiting.While($"Reading {file.Name} …", () => Mend(file, wiring, options));
        IReadOnlyList<(SyntaxTree Before, SyntaxTree After)> changed = ChangedIn(mender);
        Screen screen = new(Terminal.Out);
        IReadOnlyList<MendedFault> done = [.. mender.Done.Select(each => new MendedFault(each.Fault, each.Made, each.Obstacle))];
        IReadOnlyList<ChangedSource> sources =
            [.. changed.Select(pair => new ChangedSource(pair.Before.FilePath, pair.Before.ToString(), pair.After.ToString()))];
        screen.Write(MendText.Lines(done, sources, screen.Width));
        if (wiring is null && built.Unfollowed.Count > 0)
        {
            screen.Write(CheckText.Lay(
                [.. built.Unfollowed.Select(each => new UnfollowedWiring(each.Wiring, each.Reason, each.File, each.Line))], screen.Width));
            screen.Write([[]]);
        }

        IReadOnlyList<string> remarks =
        [
            .. SourceFiles.LinksAmong(changed.Select(pair => pair.Before.FilePath)),
            .. UnseenConfigurations.Of(mender.Before, mender.After),
        ];
        if (remarks.Count > 0)
        {
            screen.Write([.. remarks.Select(line => (IReadOnlyList<Piece>)[line]), []]);
        }

        if (changed.Count > 0 && !isDryRun)
        {
            SourceFiles.Write(changed);
        }

        screen.Write([MendText.Summary(done, changed.Count, isDryRun)]);
        return mender.Done.All(each => each.Obstacle is null) ? ExitStatus.Sound : ExitStatus.FaultsFound;
    }

    private static (Mender, SourceWirings) Mend(FileInfo file, string? wiring, BuildOptions options)
    {
        MendableAssembly assembly = new(file);
        try
        {
            SourceWirings built = assembly.BuiltBy(options);
            if (wiring is not null || built.HasMarked || built.Count == 0)
            {
                // Finds out whether there is something to check, and says so as the check does.
                WiringFinder.Find(file, wiring);
            }

            Mender mender = new(assembly.Sources, sources => assembly.Check(sources, wiring, options));
            mender.Run(fault => fault.Severity == Severity.Error);
            return (mender, built);
        }
        catch (CannotEditException problem)
        {
            throw new CannotCheckException($"{file.Name} cannot be mended, because {problem.Message}");
        }
    }

    private static IReadOnlyList<(SyntaxTree Before, SyntaxTree After)> ChangedIn(Mender mender) =>
    [
        .. mender.Before.SyntaxTrees.Zip(mender.After.SyntaxTrees)
            .Where(pair => pair.First != pair.Second)
            .OrderBy(pair => pair.First.FilePath, StringComparer.Ordinal),
    ];
}
