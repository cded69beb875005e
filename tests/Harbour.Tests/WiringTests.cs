using System.Net;
using System.Text;
using Harbour.Notices;
using Junctivor;
using Junctivor.Tests.Shared;

namespace Harbour.Tests;

public class WiringTests
{
    private const string Heron =
        """{ "vessel": "Heron", "lengthMetres": 16.5, "draughtMetres": 2.1, "arrival": "2027-05-04", "nights": 2 }""";

    private static CancellationToken Token => TestContext.Current.CancellationToken;

    private static string PluginFolder => Path.Combine(Path.GetDirectoryName(ProgramRun.OutputOf("examples/Harbour"))!, "plugins");

    [Fact]
    public async Task A_rehearsal_replaces_clock_ledger_and_channels_without_touching_a_class()
    {
        await using OpenOffice office = await OpenOffice.OpenAsync(changes: Rehearsal.Changes);

        using HttpResponseMessage booked = await Post(office, "/berths/requests", Heron);
        using HttpResponseMessage left = await Post(office, "/departures", """{ "requestId": 1 }""");

        Assert.Equal((HttpStatusCode.Created, HttpStatusCode.NoContent), (booked.StatusCode, left.StatusCode));
        Assert.Equal(["Heron has left North 1 at 12:00"], office.Container.Resolve<Rehearsal.NoticeRecorder>().Notices);
        Assert.Equal(["recorder"], office.Container.Resolve<NoticeDesk>().ChannelNames);
        Assert.True(Assert.Single(office.Container.Resolve<Rehearsal.LedgerPages>().Lines).HasLeft);
    }

    [Fact]
    public void Both_wirings_are_sound_and_have_nothing_to_remark()
    {
        Wiring rehearsal = [.. HarbourWiring.Office, .. Rehearsal.Changes];

        Assert.Empty(HarbourWiring.Office.Check().All);
        Assert.Empty(rehearsal.Check().All);
    }

    [Fact]
    public void The_office_has_at_least_three_services_of_each_lifetime()
    {
        string[] lifetimes = [.. HarbourWiring.Office.Select(registration => registration.ToString()!.Split(' ')[0])];

        Assert.All(["singleton", "scoped", "transient"], lifetime => Assert.InRange(lifetimes.Count(lifetime.Equals), 3, 30));
        Assert.InRange(lifetimes.Length, 12, 40);
    }

    [Fact]
    public async Task Plug_ins_bring_channels_and_endpoints_of_their_own()
    {
        await using OpenOffice office = await OpenOffice.OpenAsync(changes: [.. Plugins.In(PluginFolder)]);
        using HttpResponseMessage booked = await Post(office, "/berths/requests", Heron);
        using HttpResponseMessage left = await Post(office, "/departures", """{ "requestId": 1 }""");

        string flags = await office.Client.GetStringAsync(new Uri("/flags", UriKind.Relative), Token);

        Assert.Equal(["blackboard", "flag mast", "loudhailer"], office.Container.Resolve<NoticeDesk>().ChannelNames);
        Assert.Contains("Heron has left North 1", flags, StringComparison.Ordinal);
    }

    private static Task<HttpResponseMessage> Post(OpenOffice office, string path, string json)
    {
        StringContent content = new(json, Encoding.UTF8, "application/json");
        return office.Client.PostAsync(new Uri(path, UriKind.Relative), content, Token);
    }
}
