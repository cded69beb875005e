using System.Globalization;
using System.Net;
using System.Net.Mime;
using System.Text;
using Harbour.Arrivals;
using Harbour.Notices;
using Harbour.Office;
using Harbour.Shifts;
using Junctivor;

namespace Harbour.Web;

/// <summary>GET / shows the berths to somebody who looks in.</summary>
public sealed class BerthPage : IContributesEndpoints
{
    private const string Style =
        """
        body { margin: 2.5rem auto; max-width: 60rem; padding: 0 1.5rem; font: 1rem/1.5 system-ui, sans-serif; color: #1c2630; background: #f4f7f9; }
        h1 { margin: 0; font-size: 1.75rem; }
        .duty { margin: .25rem 0 1.5rem; color: #51606d; }
        table { width: 100%; border-collapse: collapse; background: #fff; border: 1px solid #d5dde3; }
        th, td { padding: .7rem 1rem; text-align: left; border-bottom: 1px solid #e4eaee; }
        th { font-size: .85rem; font-weight: 600; color: #51606d; }
        td.number { white-space: nowrap; font-variant-numeric: tabular-nums; }
        .quay { width: 45%; }
        .berth { height: 1.9rem; border: 1.5px dashed #9fb0bc; border-radius: 3px; box-sizing: border-box; padding: 0 .6rem; line-height: 1.75rem; white-space: nowrap; color: #51606d; }
        .due { border-style: solid; border-color: #b98a1d; background: #fff6df; color: #5c430a; }
        .here { border-style: solid; border-color: #1f6f8b; background: #d9eef5; color: #123f50; }
        footer { margin-top: 1.5rem; color: #51606d; }
        """;

    public void Contribute(IEndpointRouteBuilder routes) => routes.MapGet("/", ShowAsync);

    private static async Task<IResult> ShowAsync(
        BerthPlanner planner, DutyRoster roster, ArrivalQueue arrivals,
        NoticeDesk notices)
    {
        IReadOnlyList<BerthState> berths = await planner.OverviewAsync();
        double longest = berths.Max(berth => berth.LengthMetres);
        string page =
            $"""
            <!doctype html>
            <html lang="en">
            <head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>Harbour office: {berths.Count(berth => berth.Vessel is null)} of {berths.Count} berths free</title><style>{Style}</style></head>
            <body>
            <h1>Harbour office</h1>
            <p class="duty">On duty: the {roster.Shift.Name} of {Day(roster.Shift.Day)}. Bookings in this shift: <span id="bookings">{roster.Bookings}</span>.</p>
            <table>
            <thead><tr><th>Berth</th><th>Length</th><th>Depth</th><th class="quay">Vessel, and the berth to scale</th><th>State</th></tr></thead>
            <tbody>
            {string.Join('\n', berths.Select(berth => Row(berth, longest)))}
            </tbody>
            </table>
            <footer>Last notice: {Text(notices.Last ?? "none yet")}. Arrivals waiting to be noted: {arrivals.Waiting}.</footer>
            </body>
            </html>
            """;
        return Results.Text(page, MediaTypeNames.Text.Html, Encoding.UTF8);
    }

    private static string Row(BerthState berth, double longest)
    {
        (string kind, string state) = berth switch
        {
            { Vessel: null } => ("free", "free"),
            { HasArrived: true } => ("here", $"here until {Day(berth.Until!.Value)}"),
            _ => ("due", $"due {Day(berth.From!.Value)}"),
        };
        string width = (berth.LengthMetres / longest).ToString("P0", CultureInfo.InvariantCulture)
            .Replace(" ", "", StringComparison.Ordinal);
        return string.Create(
            CultureInfo.InvariantCulture,
            $"""<tr><td>{Text(berth.Berth)}</td><td class="number">{berth.LengthMetres:0.0} m</td><td class="number">{berth.DepthMetres:0.0} m</td><td class="quay"><div class="berth {kind}" style="width:{width}">{Text(berth.Vessel ?? "")}</div></td><td class="number">{state}</td></tr>""");
    }

    private static string Day(DateOnly day) => day.ToString("d MMMM yyyy", CultureInfo.InvariantCulture);

    private static string Text(string text) => WebUtility.HtmlEncode(text);
}
