using System.CommandLine;
using Junctivor.Checks;
using Mistakes;

Argument<string[]> codes = new("CODE")
{
    Description = "The faults to show, such as JV301; all of them without one.",
    Arity = ArgumentArity.ZeroOrMore,
};
RootCommand root = new(
    "Makes every mistake there is, each in the smallest wiring that shows it, and prints what Junctivor says.") { codes };
root.SetAction(arguments => Show(arguments.GetValue(codes) ?? []));
ParseResult call = root.Parse(args);
int status = call.Invoke();
return call.Errors.Count > 0 ? 2 : status;

static int Show(IReadOnlyList<string> wanted)
{
    if (wanted.FirstOrDefault(code => FaultKind.Find(code) is null) is { } unknown)
    {
        Console.Error.WriteLine($"There is no fault {unknown}: they go from {Collection.All[0].Code} to {Collection.All[^1].Code}.");
        return 2;
    }

    IEnumerable<Mistake> shown =
        Collection.All.Where(mistake => wanted.Count == 0 || wanted.Contains(mistake.Code, StringComparer.OrdinalIgnoreCase));
    foreach (Mistake mistake in shown)
    {
        Console.WriteLine($"---- {mistake.Code}: examples/Mistakes/Samples/{mistake.Sample.Name}.cs ----\n\n{mistake.Source()}\n");
        Console.WriteLine($"{string.Join("\n\n", mistake.Show().All)}\n");
    }

    return 0;
}
