using System.CommandLine;
using Junctivor.Cli;
using Junctivor.Cli.Isolation;
using Junctivor.Cli.Output;

return ChildMode.TryRun(Run) ? ExitStatus.Sound : Run();

int Run()
{
    try
    {
        ParseResult arguments = new CommandLine(args).Root().Parse(args);
        int status =
            arguments.Invoke(
                new InvocationConfiguration { EnableDefaultExceptionHandler = false, Output = Terminal.Out, Error = Terminal.Errors });
        Terminal.Out.Flush();
        return arguments.Errors.Count > 0 ? ExitStatus.CannotCheck : status;
    }
    catch (Exception failure)
    {
        return CommandLine.Complain(failure);
    }
}
