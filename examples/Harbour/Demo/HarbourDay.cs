using System.Globalization;
using Harbour.Ledger;
using Harbour.Night;
using Harbour.Notices;
using Harbour.Office;
using Harbour.Web;
using Junctivor;
using Spectre.Console;

namespace Harbour.Demo;

/// <summary>Opens an office on a free port, plays a day of requests, and shows what served each of them.</summary>
public static class HarbourDay
{
    private const int NarrowestTable = 140;

    private static readonly ScriptedRequest[] Script =
    [
        new("Mira", HttpMethod.Get, "/berths"),
        new("Mira", HttpMethod.Post, "/berths/requests",
            """{ "vessel": "Heron", "lengthMetres": 16.5, "draughtMetres": 2.1, "arrival": "2027-05-04", "nights": 2 }"""),
        new("Tove", HttpMethod.Post, "/berths/requests",
            """{ "vessel": "Sandpiper", "lengthMetres": 17, "draughtMetres": 1.9, "arrival": "2027-05-05", "nights": 3 }"""),
        new("Tove", HttpMethod.Get, "/berths/requests/2"),
        new("Odd", HttpMethod.Get, "/tides/2027-05-05"),
        new("Odd", HttpMethod.Post, "/berths/requests",
            """{ "vessel": "", "lengthMetres": 900, "draughtMetres": 1, "arrival": "2027-05-05", "nights": 1 }"""),
        new("Odd", HttpMethod.Get, "/berths/requests/99"),
        new("Odd", HttpMethod.Post, "/arrivals", """{ "vessel": "Sandpiper" }"""),
        new("Mira", HttpMethod.Post, "/departures", """{ "requestId": 1 }"""),
        new("Mira", HttpMethod.Get, "/berths"),
    ];

    private const string Contributed = "/flags";

    public static async Task<int> PlayAsync()
    {
        IAnsiConsole console = AnsiConsole.Console;
        console.Profile.Width = Math.Max(console.Profile.Width, NarrowestTable);
        string folder = Directory.CreateTempSubdirectory("harbour-").FullName;
        try
        {
            await PlayAsync(console, new HarbourSettings(HarbourSettings.ShippedData, Path.Combine(folder, "ledger.db"), IsQuiet: true));
        }
        finally
        {
            Directory.Delete(folder, recursive: true);
        }

        ShowMistakes(console);
        return 0;
    }

    private static async Task PlayAsync(IAnsiConsole console, HarbourSettings settings)
    {
        await using HarbourOffice office = await HarbourOffice.OpenAsync(HarbourWiring.WithPlugins(), settings, "http://127.0.0.1:0");
        console.MarkupLineInterpolated($"[bold]A day in the harbour office[/], served at {office.Address} from a ledger in SQLite.");
        using HttpClient client = new() { BaseAddress = office.Address };
        Muster muster = office.Container.Resolve<Muster>();

        Table table = new Table().Border(TableBorder.Rounded).AddColumns(
            Heading("who"),
            Heading("request"),
            Heading("answer"),
            Heading("scope"),
            Heading("desk", "scoped"),
            Heading("its ledger", "scoped"),
            Heading("planner", "transient"),
            Heading("its ledger", "scoped"),
            Heading("tide table", "singleton"),
            Heading("disposed"));
        foreach (ScriptedRequest request in Script)
        {
            table.AddRow([.. (await SendAsync(client, muster, request)).Select(Markup.Escape)]);
        }

        console.Write(table);
        console.MarkupLine(
            """
            [bold]Read each line from left to right.[/] Desk and planner of one request share one ledger, which is disposed with it; the next has another.
            A planner is transient: each consumer gets a new one. The tide table is the same all day. Errors are problem details.
            """);
        string channels = string.Join(", ", office.Container.Resolve<NoticeDesk>().ChannelNames);
        await ShowNightAsync(console, office);

        string flags = await FlagsAsync(client);
        console.MarkupLineInterpolated(
            $"Notices go out by [bold]{channels}[/]; two of these are plug-ins. One brings GET {Contributed}: {flags}");
    }

    /// <summary>What is done without any request has scopes of its own.</summary>
    /// <summary>The arrival is a message, and may be received a moment after the rest is done.</summary>
    private static async Task<string> FlagsAsync(HttpClient client)
    {
        string flags = "";
        for (int attempt = 0; attempt < 100 && !flags.Contains("Sandpiper", StringComparison.Ordinal); attempt++)
        {
            await Task.Delay(TimeSpan.FromMilliseconds(attempt));
            flags = await client.GetStringAsync(new Uri(Contributed, UriKind.Relative));
        }

        return flags;
    }

    private static async Task ShowNightAsync(IAnsiConsole console, HarbourOffice office)
    {
        IReadOnlyList<Invoice> invoices = await office.Container.Resolve<NightlyInvoicing>().RunAsync();
        string written =
            string.Join(
                ", ", invoices.Select(invoice => string.Create(CultureInfo.InvariantCulture, $"{invoice.Vessel} {invoice.Amount:0.00}")));
        console.MarkupLineInterpolated(
            $"[bold]No request, and still a scope:[/] the arrival was a message, handled in its own scope with its own ledger. The nightly invoicing used a new one, and wrote: {written}.");
    }

    private static TableColumn Heading(string name, string lifetime = "") =>
        new TableColumn(lifetime.Length == 0 ? $"[bold]{name}[/]" : $"[bold]{name}[/]\n[grey]{lifetime}[/]").NoWrap();

    private static async Task<IReadOnlyList<string>> SendAsync(HttpClient client, Muster muster, ScriptedRequest scripted)
    {
        using HttpRequestMessage request = scripted.ToMessage();
        using HttpResponseMessage answer = await client.SendAsync(request);
        Dictionary<string, string> crew = answer.Headers.GetValues(ServedBy.Header)
            .SelectMany(header => header.Split(',', StringSplitOptions.TrimEntries))
            .Select(part => part.Split('='))
            .ToDictionary(part => part[0], part => part[1]);
        int scope = int.Parse(crew["scope"], CultureInfo.InvariantCulture);
        VisitEnd end = await muster.WhenEnded(scope);
        return
        [
            scripted.Caller,
            $"{scripted.Method} {scripted.Path}",
            $"{(int)answer.StatusCode} {answer.ReasonPhrase}",
            $"{scope}",
            Named("desk", "Desk"),
            Numbered("desk-ledger"),
            $"{Numbered("planner")} {Numbered("second-planner")}".TrimEnd(),
            Numbered("planner-ledger"),
            Numbered("tides"),
            end.Made == 0 ? "" : $"{end.Ended} of {end.Made}",
        ];

        // "BookingDesk#2" becomes "booking #2", and a number alone where the heading says the rest.
        string Named(string role, string ending) => crew.TryGetValue(role, out string? badge)
            ? $"{badge[..badge.IndexOf(ending, StringComparison.Ordinal)].ToLowerInvariant()} {Numbered(role)}"
            : "";

        string Numbered(string role) =>
            crew.TryGetValue(role, out string? badge) ? badge[badge.IndexOf('#', StringComparison.Ordinal)..] : "";
    }

    private static void ShowMistakes(IAnsiConsole console)
    {
        console.WriteLine();
        console.MarkupLine("[bold]And a wiring with three faults.[/] Nothing is created; Build reports all of them at once:");
        console.WriteLine();
        try
        {
            MistakenWiring.Office.Build(Incoming.Value(new HarbourSettings("", "")));
        }
        catch (WiringException mistakes)
        {
            console.Profile.Out.Writer.WriteLine(mistakes.Message);
        }
    }
}
