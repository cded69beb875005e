using Junctivor.Benchmarks.Running;

// What the command line needs is not to be loaded where a whole process is measured.
if (args is [Once.Command, string how])
{
    return Once.Run(how);
}

if (args is [InstructionCounter.Command, string name, string by])
{
    return InstructionCounter.Run(name, by == Once.Wired);
}

if (args is [OwnProcess.Command, string measured])
{
    return OwnProcess.Run(measured);
}

return await Commands.RunAsync(args);
