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
