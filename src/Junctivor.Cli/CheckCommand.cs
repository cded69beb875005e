using Junctivor.Checks;
using Junctivor.Cli.Loading;

namespace Junctivor.Cli;

/// <summary>junctivor check: all wirings of an assembly, each with its report.</summary>
internal static class CheckCommand
{
    public static int Run(FileInfo assembly, string? name, BuildOptions options)
    {
        try
        {
            IReadOnlyList<FoundWiring> found = WiringFinder.Find(assembly, name);
            return Report(found, options);
        }
        catch (CannotCheckException problem)
        {
            Console.Error.WriteLine($"junctivor: {problem.Message}");
            return ExitStatus.CannotCheck;
        }
    }

    /// <summary>Prints the report of each, and gives the exit status for them all.</summary>
    public static int Report(IEnumerable<FoundWiring> wirings, BuildOptions options)
    {
        bool isSound = true;
        ReportPrinter printer = new(Console.Out);
        foreach (FoundWiring wiring in wirings)
        {
            CheckReport report = wiring.Wiring.Check(options);
            printer.Print(wiring, report);
            isSound &= report.IsSound;
        }

        return isSound ? ExitStatus.Sound : ExitStatus.FaultsFound;
    }
}
