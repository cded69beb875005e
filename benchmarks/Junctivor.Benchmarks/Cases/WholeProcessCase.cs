using System.Diagnostics;
using Junctivor.Benchmarks.Running;

namespace Junctivor.Benchmarks.Cases;

/// <summary>A process from its start to its end, over a hundred services that share the code of one class: little to do by hand. The
/// library is not precompiled.</summary>
internal sealed class WholeProcessCase : Case
{
    public override string Name => "whole-process";

    public override double Limit => 4;

    public override int MoreBytes => int.MaxValue;

    public override bool IsCold => true;

    public override object? ByHand() => Run(Once.ByHand);

    public override object? Wired() => Run(Once.Wired);

    private static object? Run(string how)
    {
        string program = Path.ChangeExtension(typeof(WholeProcessCase).Assembly.Location, "dll");
        using Process process = Process.Start(new ProcessStartInfo("dotnet", [program, Once.Command, how]))!;
        process.WaitForExit();
        return process.ExitCode == 0 ? null : throw new InvalidOperationException($"The program ended with {process.ExitCode}.");
    }
}
