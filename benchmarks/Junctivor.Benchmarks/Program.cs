using System.CommandLine;
using BenchmarkDotNet.Running;
using Junctivor.Benchmarks.Cases;
using Junctivor.Benchmarks.Running;

Option<bool> smoke = new("--smoke") { Description = "Do each case once, to see that it runs; measure nothing." };
Argument<string> name = new("NAME") { Description = "The case." };
name.AcceptOnlyFromAmong([.. AllCases.Make().Select(each => each.Name)]);

Command quick = new("quick", "All cases in this process, interleaved with their twins, in a few minutes.") { smoke };
quick.SetAction(arguments => arguments.GetValue(smoke) ? Smoke.Run() : QuickTable.Run());

Command full = new("full", "All cases with BenchmarkDotNet: for careful work.");
full.SetAction(_ => BenchmarkRunner.Run<FullBenchmarks>());

Command profile = new("profile", "One case in a loop, until Ctrl+C: for a profiler.") { name };
profile.SetAction(arguments => Loop.Run(AllCases.Make().Single(each => each.Name == arguments.GetValue(name))));

RootCommand root = new("What the container takes, against the same written by hand. Built in Release: dotnet run -c Release --project benchmarks/Junctivor.Benchmarks -- quick")
{
    quick,
    full,
    profile,
};
return await root.Parse(args).InvokeAsync();
