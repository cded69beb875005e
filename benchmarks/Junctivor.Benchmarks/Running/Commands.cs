using System.CommandLine;
using BenchmarkDotNet.Running;
using Junctivor.Benchmarks.Cases;

namespace Junctivor.Benchmarks.Running;

/// <summary>The command line.</summary>
internal static class Commands
{
    public static Task<int> RunAsync(string[] args)
    {
        string[] names = [.. AllCases.Make().Select(each => each.Name)];
        Option<bool> smoke = new("--smoke") { Description = "Do each case once, to see that it runs; measure nothing." };
        Argument<string> name = new("NAME") { Description = "The case." };
        name.AcceptOnlyFromAmong(names);

        Argument<string[]> some = new("NAME") { Description = "Some cases only.", Arity = ArgumentArity.ZeroOrMore };
        some.AcceptOnlyFromAmong(names);

        Command quick = new("quick", "All cases, interleaved with their twins, in about ten minutes.") { some, smoke };
        quick.SetAction(arguments =>
        {
            string[] wanted = arguments.GetValue(some) ?? [];
            IReadOnlyList<Case> cases = [.. AllCases.Make().Where(each => wanted.Length == 0 || wanted.Contains(each.Name))];
            return arguments.GetValue(smoke) ? Smoke.Run(cases) : QuickTable.Run(cases);
        });

        Command full = new("full", "All cases with BenchmarkDotNet: for careful work.");
        full.SetAction(_ => BenchmarkRunner.Run<FullBenchmarks>());

        Command profile = new("profile", "One case in a loop, until Ctrl+C: for a profiler.") { name };
        profile.SetAction(arguments => Loop.Run(AllCases.Make().Single(each => each.Name == arguments.GetValue(name))));

        RootCommand root = new(
            "What the container takes, against the same written by hand. Built in Release: dotnet run -c Release --project "
                + "benchmarks/Junctivor.Benchmarks -- quick")
        {
            quick,
            full,
            profile,
        };
        return root.Parse(args).InvokeAsync();
    }
}
