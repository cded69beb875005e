using Junctivor.Cli.Demo;
using Junctivor.Cli.Loading;

namespace Junctivor.Cli;

/// <summary>junctivor demo: the check, on two wirings that ship with the command.</summary>
internal static class DemoCommand
{
    public static int Run()
    {
        CheckCommand.Report(
            [new FoundWiring("a sound harbour", HarbourOffice.Sound), new FoundWiring("a harbour with mistakes", HarbourOffice.WithMistakes)],
            new BuildOptions());
        Console.WriteLine();
        Console.WriteLine("Mark a wiring of your own with [CheckedWiring], and say: junctivor check YOUR.dll");
        return ExitStatus.Sound;
    }
}
