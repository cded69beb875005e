using System.CommandLine;
using System.Globalization;
using Junctivor.Soak;
using Spectre.Console;

Option<double> minutes = new("--minutes") { Description = "About how long all of it takes.", DefaultValueFactory = _ => 10 };
Option<string?> seed = new("--seed") { Description = "Repeats one sample of a random part: what a failure printed.", HelpName = "SEED" };
Argument<string[]> only = new("PART") { Description = "Some parts only.", Arity = ArgumentArity.ZeroOrMore };
only.AcceptOnlyFromAmong([.. Parts.All.Select(part => part.Name)]);
RootCommand root = new(
    "Runs the library for a long time against everything that could go wrong, and prints what was run.") { only, minutes, seed };
root.SetAction(
    arguments => Run(arguments.GetValue(only) ?? [], TimeSpan.FromMinutes(arguments.GetValue(minutes)), arguments.GetValue(seed)));
return root.Parse(args).Invoke();

static int Run(string[] names, TimeSpan time, string? seed)
{
    IReadOnlyList<Part> parts = [.. Parts.All.Where(part => names.Length == 0 || names.Contains(part.Name))];
    double shares = parts.Sum(part => part.Share);
    Table table = new Table().Border(TableBorder.Markdown).AddColumns("part", "what was run", "what went wrong");
    int troubles = 0;
    foreach (Part part in parts)
    {
        AnsiConsole.WriteLine(
            string.Create(
                CultureInfo.InvariantCulture, $"{part.Name}: until about {DateTime.Now + (time * (part.Share / shares)):HH:mm:ss}"));
        Outcome outcome = part.Run(time * (part.Share / shares), seed);
        troubles += outcome.Trouble is null ? 0 : 1;
        table.AddRow(Markup.Escape(part.Name), Markup.Escape(outcome.Figures), outcome.Trouble is null ? "nothing" : "see below");
        if (outcome.Trouble is not null)
        {
            AnsiConsole.WriteLine(outcome.Trouble);
        }
    }

    AnsiConsole.Write(table);
    return troubles;
}
