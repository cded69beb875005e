using Junctivor.Cli.Loading;
using Junctivor.Cli.Output;
using Junctivor.Mending;
using Junctivor.Mending.Editing;
using Junctivor.Reports.Faults;
using Junctivor.Reports.Text;
using Microsoft.CodeAnalysis;

namespace Junctivor.Cli.Commands;

/// <summary>junctivor mend: makes the first fix of each fault in the sources of an assembly.</summary>
internal static class MendCommand
{
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
            mender.Run(fault => fault.Severity == Severity.Fault);
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
