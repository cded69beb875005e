using System.Net;
using System.Text.Json.Nodes;
using Harbour.Office;
using Junctivor;
using Microsoft.Extensions.Time.Testing;

namespace Harbour.Tests;

/// <summary>What the office does without a request: arrivals, the night, the shifts.</summary>
public class WorkerTests
{
    private const string Heron =
        """{ "vessel": "Heron", "lengthMetres": 16.5, "draughtMetres": 2.1, "arrival": "2027-05-04", "nights": 2 }""";

    [Fact]
    public async Task Every_arrival_is_noted_before_the_office_closes()
    {
        await using OpenOffice office = await OpenOffice.OpenAsync(changes: Rehearsal.Changes);
        using HttpResponseMessage booked = await office.PostAsync("/berths/requests", Heron);
        HttpStatusCode[] answers = await Task.WhenAll(Enumerable.Range(0, 50).Select(async number =>
        {
            using HttpResponseMessage answer =
                await office.PostAsync("/arrivals", $$"""{ "vessel": "{{(number == 0 ? "Heron" : $"Barge {number}")}}" }""");
            return answer.StatusCode;
        }));

        await office.CloseAsync();

        Assert.All(answers, answer => Assert.Equal(HttpStatusCode.Accepted, answer));
        Assert.True(Assert.Single(office.Container.Resolve<Rehearsal.LedgerPages>().Lines).HasArrived);
        Assert.Equal(
            Enumerable.Range(1, 49).Select(number => $"Barge {number} is here and has no berth").Append("Heron lies at North 1").Order(),
            office.Container.Resolve<Rehearsal.NoticeRecorder>().Notices.Order());
    }

    [Theory]
    [InlineData("""{ "vessel": " " }""", "Name the vessel")]
    [InlineData("{", "check its JSON")]
    public async Task An_arrival_that_cannot_be_read_is_a_problem(string body, string advice)
    {
        await using OpenOffice office = await OpenOffice.OpenAsync();

        using HttpResponseMessage answer = await office.PostAsync("/arrivals", body);

        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Contains(advice, await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken), StringComparison.Ordinal);
    }

    [Fact]
    public async Task At_night_who_has_left_gets_an_invoice_once()
    {
        FakeTimeProvider time = new(new DateTimeOffset(2027, 5, 4, 20, 0, 0, TimeSpan.Zero));
        await using OpenOffice office = await OpenOffice.OpenAsync(changes: [Singleton.Value<TimeProvider>(time).Replacing()]);
        using HttpResponseMessage booked = await office.PostAsync("/berths/requests", Heron);
        using HttpResponseMessage left = await office.PostAsync("/departures", """{ "requestId": 1 }""");
        Assert.Equal("[]", await office.GetAsync("/invoices"));

        time.Advance(TimeSpan.FromHours(7));
        string written = await UntilAsync(() => office.GetAsync("/invoices"), invoices => invoices != "[]");
        time.Advance(TimeSpan.FromDays(1));
        await office.CloseAsync();

        JsonNode invoice = Assert.Single(JsonNode.Parse(written)!.AsArray())!;
        Assert.Equal((1, "Heron", 65.9m), ((int)invoice["requestId"]!, (string)invoice["vessel"]!, (decimal)invoice["amount"]!));
    }

    [Fact]
    public async Task The_requests_of_a_shift_share_its_roster_and_the_next_crew_begins_with_an_empty_one()
    {
        MovableClock clock = new() { Now = new DateTimeOffset(2027, 5, 4, 13, 0, 0, TimeSpan.Zero) };
        await using OpenOffice office = await OpenOffice.OpenAsync(changes: [Singleton.Value<IClock>(clock).Replacing()]);
        using HttpResponseMessage first = await office.PostAsync("/berths/requests", Heron);
        using HttpResponseMessage second = await office.PostAsync("/berths/requests", Heron);
        string morning = await office.GetAsync("/");

        clock.Now = clock.Now.AddHours(2);
        string evening = await office.GetAsync("/");
        clock.Now = clock.Now.AddHours(10);
        string night = await office.GetAsync("/");

        Assert.Contains(
            "the morning watch of 4 May 2027. Bookings in this shift: <span id=\"bookings\">2</span>", morning, StringComparison.Ordinal);
        Assert.Contains(
            "the evening watch of 4 May 2027. Bookings in this shift: <span id=\"bookings\">0</span>", evening, StringComparison.Ordinal);
        Assert.Contains("the night watch of 4 May 2027.", night, StringComparison.Ordinal);
    }

    private static async Task<string> UntilAsync(Func<Task<string>> ask, Predicate<string> isIt)
    {
        string answer;
        do
        {
            answer = await ask();
        }
        while (!isIt(answer));
        return answer;
    }

    private sealed class MovableClock : IClock
    {
        public DateTimeOffset Now { get; set; }
    }
}
