using System.CommandLine;

namespace Junctivor.Cli;

/// <summary>The words that the command understands.</summary>
internal static class CommandLine
{
    public static RootCommand Root()
    {
        RootCommand root = new("Finds what is wrong with a wiring, before anything is built: all of it at once.")
        {
            Check(),
            Demo(),
        };
        return root;
    }

    private static Command Check()
    {
        Argument<FileInfo> assembly = new("ASSEMBLY") { Description = "The assembly that the wirings are in." };
        Option<string?> wiring = new("--wiring") { Description = "Check only the wiring of this name.", HelpName = "NAME" };
        Option<bool> strict = new("--strict") { Description = "Count warnings as faults." };
        Command check = new("check", "Checks every wiring of an assembly that is marked [CheckedWiring].") { assembly, wiring, strict };
        check.SetAction(arguments => CheckCommand.Run(
            arguments.GetRequiredValue(assembly), arguments.GetValue(wiring), new BuildOptions { WarningsAreFaults = arguments.GetValue(strict) }));
        return check;
    }

    private static Command Demo()
    {
        Command demo = new("demo", "Checks two wirings that ship with the command: a sound one, and one with mistakes.");
        demo.SetAction(_ => DemoCommand.Run());
        return demo;
    }
}
