using System.CommandLine;
using Junctivor.Cli;
using Junctivor.Cli.Isolation;
using Junctivor.Cli.Output;

return ChildMode.TryRun(Run) ? ExitStatus.Sound : Run();

int Run()
{
    try
    {
        ParseResult arguments = CommandLine.Root(args).Parse(args);
        if (arguments.Errors.Count > 0 && args.Length > 0)
        {
            Command named = arguments.CommandResult.Command;
            string command = named is RootCommand ? "junctivor" : $"junctivor {named.Name}";
            string errors = string.Join(' ', arguments.Errors.Select(error => $"{error.Message.ReplaceLineEndings(" ").TrimEnd('.')}."));
            Terminal.Errors.WriteLine($"junctivor: {errors} See '{command} --help'.");
            return ExitStatus.CannotCheck;
        }

        int status =
            arguments.Invoke(
                new InvocationConfiguration { EnableDefaultExceptionHandler = false, Output = Terminal.Out, Error = Terminal.Errors });
        Terminal.Out.Flush();
        return arguments.Errors.Count > 0 ? ExitStatus.CannotCheck : status;
    }
    catch (Exception failure)
    {
        return Complaint.Write(failure);
    }
}
