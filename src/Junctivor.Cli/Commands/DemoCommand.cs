using System.CommandLine;
using System.CommandLine.Parsing;
using System.Globalization;
using Junctivor.Cli.Demo;
using Junctivor.Cli.Loading;
using Junctivor.Cli.Output;
using Junctivor.Reports.Comparing;
using Junctivor.Reports.Drawing;
using Junctivor.Reports.Graphs;
using Junctivor.Reports.Text;

namespace Junctivor.Cli.Commands;

/// <summary>junctivor demo: every command, on wirings that ship with it.</summary>
internal static class DemoCommand
{
    /// <summary>The command with its arguments and options.</summary>
    public static Command Create()
    {
        Option<bool> page = new("--page") { Description = "Open a page that shows a harbour office at work, live in the browser." };
        Option<int> port = new("--port") { Description = "The port of that page; any free one by default.", HelpName = "NUMBER" };
        port.Validators.Add(result =>
        {
            if (result.Tokens is [Token only, ..]
                && !(int.TryParse(only.Value, CultureInfo.InvariantCulture, out int number) && number is > 0 and <= ushort.MaxValue))
            {
                result.AddError($"--port must be a number from 1 to {ushort.MaxValue}.");
            }
        });
        Command demo = new("demo", "Runs these commands on the wirings that come with the tool.") { page, port };
        demo.SetAction((arguments, _) => arguments.GetValue(page)
            ? DemoPageCommand.RunAsync(arguments.GetValue(port))
            : Task.FromResult(Run()));
        return demo;
    }

    private const string Wanted = "BookingDesk";

    public static int Run()
    {
        Screen screen = new(Terminal.Out);
        SavedGraph office = SavedGraph.Of("office", HarbourOffice.Sound);
        SavedGraph rehearsal = SavedGraph.Of("rehearsal", HarbourOffice.Rehearsal);

        Show(screen, "list OFFICE.dll --wiring office", ListText.Lines(office, ListFilter.All, screen.Width));
        Show(screen, $"why OFFICE.dll {Wanted} --wiring office",
            new WhyText(office, screen.Width).Lines(ServiceSearch.Find(office, Wanted)[0]));
        Show(screen, $"draw OFFICE.dll --wiring office --around {Wanted} --format mermaid",
            MermaidText.Write(GraphDrawer.Draw(office).Around(ServiceSearch.Find(office, Wanted))).TrimEnd().Split('\n')
                .Select(line => (IReadOnlyList<Piece>)[new Piece(line)]));
        Show(screen, "compare OFFICE.dll@office OFFICE.dll@rehearsal",
            CompareText.Lines(office.Wiring, rehearsal.Wiring, GraphComparison.Between(office, rehearsal), screen.Width));
        Show(screen, "check OFFICE.dll", []);
        CheckCommand.Report(
            [
                new FoundWiring("office", HarbourOffice.Sound, []),
                new FoundWiring("a harbour with faults", HarbourOffice.WithMistakes, []),
            ],
            [],
            new BuildOptions(),
            new CheckOutput(CheckFormat.Text, null, null));
        Terminal.Out.WriteLine();
        Terminal.Out.WriteLine("Put [CheckedWiring] on your own wiring, and run: junctivor check YOUR.dll");
        return ExitStatus.Sound;
    }

    private static void Show(Screen screen, string command, IEnumerable<IReadOnlyList<Piece>> lines)
    {
        screen.StartPart();
        screen.Write([[new Piece($"$ junctivor {command}", Tone.Strong)], []]);
        screen.Write(lines);
    }
}
