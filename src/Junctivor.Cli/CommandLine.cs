using System.CommandLine;
using Junctivor.Cli.Commands;
using Junctivor.Cli.Isolation;

namespace Junctivor.Cli;

/// <summary>The commands.</summary>
internal static class CommandLine
{
    /// <summary>The root of the commands.</summary>
    /// <param name="words">The words of this call.</param>
    public static RootCommand Root(IReadOnlyList<string> words)
    {
        AssemblyProcess process = new(words);
        return new("Checks, fixes, explains, draws and compares dependency-injection wirings, without building a container.")
        {
            CheckCommand.Create(process),
            FixCommand.Create(process),
            ListCommand.Create(process),
            WhyCommand.Create(process),
            DrawCommand.Create(process),
            CompareCommand.Create(process),
            FaultCommand.Create(),
            DemoCommand.Create(),
        };
    }
}
