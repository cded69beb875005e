using System.Diagnostics;
using System.Globalization;
using Junctivor.Benchmarks.Cases;

namespace Junctivor.Benchmarks.Running;

/// <summary>Measures one case in a process of its own.</summary>
internal static class OwnProcess
{
    public const string Command = "measure-one";

    /// <summary>The times of a case, measured in a new process.</summary>
    public static (TimeSpan ByHand, TimeSpan Wired) Times(string name)
    {
        string program = Path.ChangeExtension(typeof(OwnProcess).Assembly.Location, "dll");
        using Process process = Process.Start(new ProcessStartInfo("dotnet", [program, Command, name]) { RedirectStandardOutput = true })!;
        string[] told = process.StandardOutput.ReadToEnd().Split();
        process.WaitForExit();
        return process.ExitCode == 0
            ? (TimeOf(told[0]), TimeOf(told[1]))
            : throw new InvalidOperationException($"Measuring {name} ended with {process.ExitCode}.");
    }

    /// <summary>Runs in the new process.</summary>
    public static int Run(string name)
    {
        (TimeSpan byHand, TimeSpan wired) = Stopwatches.Times(AllCases.Make().Single(each => each.Name == name));
        Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"{byHand.Ticks} {wired.Ticks}"));
        return 0;
    }

    private static TimeSpan TimeOf(string ticks) => TimeSpan.FromTicks(long.Parse(ticks, CultureInfo.InvariantCulture));
}
