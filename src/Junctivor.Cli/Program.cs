using System.CommandLine;
using Junctivor.Cli;

ParseResult arguments = CommandLine.Root().Parse(args);
int status = await arguments.InvokeAsync();
return arguments.Errors.Count > 0 ? ExitStatus.CannotCheck : status;
