using Junctivor.Benchmarks.Cases;

namespace Junctivor.Benchmarks.Running;

/// <summary>One case for ever.</summary>
internal static class Loop
{
    public static void Run(Case one)
    {
        one.Prepare();
        Console.Error.WriteLine($"{one.Name}, process {Environment.ProcessId}: Ctrl+C ends it.");
        while (true)
        {
            one.Wired();
        }
    }
}
