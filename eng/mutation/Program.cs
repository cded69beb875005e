using System.Collections.Concurrent;
using System.CommandLine;
using Junctivor.Mutation;

Option<int> count = new("--count") { Description = "How many mutants are tried.", DefaultValueFactory = _ => 200, HelpName = "N" };
Option<int> seed = new("--seed")
{
    Description = "Which ones: the same number draws the same, as long as the source is the same.",
    DefaultValueFactory = _ => 1,
    HelpName = "N",
};
Option<int[]> only = new("--only")
{
    Description = "Some of those drawn, by their number.",
    AllowMultipleArgumentsPerToken = true,
    HelpName = "N",
};
Argument<string[]> folders = new("FOLDER")
{
    Description = "The folders of src/Junctivor.",
    Arity = ArgumentArity.ZeroOrMore,
    DefaultValueFactory = _ => ["Graph", "Checks", "Reading", "Runtime"],
};
RootCommand root = new(
    "Writes small mistakes into the library, one at a time, runs the core suite on each, and lists those that no test finds.")
    {
        folders, count, seed, only,
    };
root.SetAction(
    arguments => Mutate(arguments.GetValue(folders)!, arguments.GetValue(count), arguments.GetValue(seed), arguments.GetValue(only) ?? []));
return root.Parse(args).Invoke();

static int Mutate(string[] folders, int count, int seed, int[] only)
{
    Library library = new(Directory.GetCurrentDirectory());
    Suite[] suites = [.. Enumerable.Range(0, Math.Max(1, Environment.ProcessorCount))
        .Select(_ => new Suite(Directory.GetCurrentDirectory()))];
    try
    {
        if (!library.TryCompile(suites[0].Folder, null))
        {
            Console.WriteLine($"The library does not compile as it is:\n{library.Problem}");
            return 2;
        }

        Console.WriteLine("The library as it is:");
        string?[] sound = [.. suites.AsParallel().AsOrdered().WithDegreeOfParallelism(suites.Length).Select(suite => suite.RunSound())];
        if (sound.FirstOrDefault(failure => failure is not null) is { } failure)
        {
            Console.WriteLine($"The suite fails on the library as it is: {failure}");
            return 2;
        }

        IReadOnlyList<Mutant> all = library.Mutants(folders);
        Console.WriteLine(
            $"passes. {all.Count} places for a mistake in {string.Join(", ", folders)}; {count} of them, by the seed {seed}:");
        Mutant[] drawn = [.. all];
        new Random(seed).Shuffle(drawn);
        return Report(Try(library, suites, drawn, count, only));
    }
    finally
    {
        foreach (Suite suite in suites)
        {
            suite.Dispose();
        }
    }
}

// One that does not compile is no mistake that anybody could make: the next takes its place.
static IReadOnlyList<(int Number, Mutant Mutant, string? Killer)> Try(
    Library library, Suite[] suites, Mutant[] drawn, int count, int[] only)
{
    ConcurrentBag<(int Number, Mutant Mutant, string? Killer)> tried = [];
    int next = -1;
    int compiled = 0;
    Lock gate = new();
    Thread[] threads = [.. suites.Select(suite => new Thread(() => Work(suite)))];
    Array.ForEach(threads, thread => thread.Start());
    Array.ForEach(threads, thread => thread.Join());
    return [.. tried.OrderBy(each => each.Number)];

    void Work(Suite suite)
    {
        while (Draw(suite) is { } number)
        {
            string? killer = only.Length == 0 || only.Contains(number) ? suite.Run(drawn[number].IsAboutThreads) : "not run";
            if (killer != "not run")
            {
                tried.Add((number, drawn[number], killer));
                Console.WriteLine(
                    $"{number,4} {(killer is null ? "SURVIVED" : "killed  ")} {drawn[number]}{(killer is null ? "" : $"  [{killer}]")}");
            }
        }
    }

    int? Draw(Suite suite)
    {
        lock (gate)
        {
            while (compiled < count && ++next < drawn.Length)
            {
                if (library.TryCompile(suite.Folder, drawn[next]))
                {
                    compiled++;
                    return next;
                }
            }

            return null;
        }
    }
}

static int Report(IReadOnlyList<(int Number, Mutant Mutant, string? Killer)> tried)
{
    Console.WriteLine();
    foreach ((int number, Mutant mutant, _) in tried.Where(each => each.Killer is null))
    {
        Console.WriteLine($"{number,4} survived: {mutant}");
    }

    int killed = tried.Count(each => each.Killer is not null);
    Console.WriteLine($"{killed} of {tried.Count} killed ({(tried.Count == 0 ? 100 : 100.0 * killed / tried.Count):0.#} %).");
    return 0;
}
