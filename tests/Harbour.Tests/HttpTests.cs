using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;

namespace Harbour.Tests;

public class HttpTests
{
    private const string Heron =
        """{ "vessel": "Heron", "lengthMetres": 16.5, "draughtMetres": 2.1, "arrival": "2027-05-04", "nights": 2 }""";

    private static CancellationToken Token => TestContext.Current.CancellationToken;

    [Fact]
    public async Task A_booking_goes_into_the_ledger_and_comes_out_again()
    {
        await using OpenOffice office = await OpenOffice.OpenAsync();

        using HttpResponseMessage booked = await Post(office, "/berths/requests", Heron, "Mira");
        Assert.Equal(HttpStatusCode.Created, booked.StatusCode);
        JsonNode found = (await office.Client.GetFromJsonAsync<JsonNode>(booked.Headers.Location, Token))!;

        Assert.Equal(
            ("Heron", "North 1", "Mira", 65.9m),
            ($"{found["vessel"]}", $"{found["berth"]}", $"{found["bookedBy"]}", found["fee"]!.GetValue<decimal>()));
        JsonNode berths = (await office.Client.GetFromJsonAsync<JsonNode>("/berths", Token))!;
        Assert.Equal("Heron", $"{berths[0]!["vessel"]}");
    }

    [Fact]
    public async Task Two_vessels_never_get_one_berth_on_one_day()
    {
        await using OpenOffice office = await OpenOffice.OpenAsync();
        List<string> berths = [];

        for (int vessel = 0; vessel < 4; vessel++)
        {
            using HttpResponseMessage booked = await Post(office, "/berths/requests", Heron);
            berths.Add($"{(await booked.Content.ReadFromJsonAsync<JsonNode>(Token))!["berth"]}");
        }

        using HttpResponseMessage refused = await Post(office, "/berths/requests", Heron);
        Assert.Equal(["North 1", "North 2", "Mole", "Old Granary"], berths);
        await AssertProblem(refused, 409, "No berth is free");
    }

    [Fact]
    public async Task A_departure_frees_the_berth_once()
    {
        await using OpenOffice office = await OpenOffice.OpenAsync();
        using HttpResponseMessage booked = await Post(office, "/berths/requests", Heron);

        using HttpResponseMessage left = await Post(office, "/departures", """{ "requestId": 1 }""");
        using HttpResponseMessage again = await Post(office, "/departures", """{ "requestId": 1 }""");

        Assert.Equal(HttpStatusCode.NoContent, left.StatusCode);
        await AssertProblem(again, 409, "left already");
    }

    [Theory]
    [InlineData("/berths/requests/12", 404, "There is no request 12")]
    [InlineData("/berths/requests/twelve", 400, "'twelve' is no number")]
    [InlineData("/berths/requests/-1", 400, "'-1' is no number")]
    [InlineData("/tides/2027-05-31", 404, "does not know 2027-05-31")]
    [InlineData("/tides/tomorrow", 400, "write it as YYYY-MM-DD")]
    [InlineData("/lighthouse", 404, "")]
    public async Task Unknown_route_is_a_problem(string path, int status, string detail)
    {
        await using OpenOffice office = await OpenOffice.OpenAsync();

        await AssertProblem(await office.Client.GetAsync(new Uri(path, UriKind.Relative), Token), status, detail);
    }

    [Theory]
    [InlineData("{", "check its JSON")]
    [InlineData("null", "The body is empty")]
    [InlineData("""{ "vessel": "Heron", "arrival": "soon" }""", "arrival cannot be read")]
    [InlineData("""{ "vessel": " ", "lengthMetres": 0, "draughtMetres": -1, "arrival": "1999-01-01", "nights": 0 }""", "Name the vessel")]
    public async Task A_request_that_cannot_be_read_is_a_problem(string body, string detail)
    {
        await using OpenOffice office = await OpenOffice.OpenAsync();

        await AssertProblem(await Post(office, "/berths/requests", body), 400, detail);
    }

    [Fact]
    public async Task A_body_that_is_no_json_is_a_problem()
    {
        await using OpenOffice office = await OpenOffice.OpenAsync();
        using StringContent plain = new("Heron");

        await AssertProblem(
            await office.Client.PostAsync(new Uri("/berths/requests", UriKind.Relative), plain, Token), 400, "Content-Type");
    }

    [Fact]
    public async Task A_handler_that_throws_is_a_problem_without_a_stack_trace()
    {
        await using OpenOffice office = await OpenOffice.OpenAsync(routes => routes.MapGet("/storm", Storm));

        using HttpResponseMessage answer = await office.Client.GetAsync(new Uri("/storm", UriKind.Relative), Token);

        string body = await AssertProblem(answer, 500, "Try again later");
        Assert.DoesNotContain("mast", body, StringComparison.Ordinal);

        static IResult Storm() => throw new InvalidOperationException("the mast is gone");
    }

    private static async Task<HttpResponseMessage> Post(OpenOffice office, string path, string json, string caller = "Odd")
    {
        using HttpRequestMessage request = new(HttpMethod.Post,
            path)
        { Content = new StringContent(json, System.Text.Encoding.UTF8, "application/json") };
        request.Headers.Add("Caller", caller);
        return await office.Client.SendAsync(request, Token);
    }

    private static async Task<string> AssertProblem(HttpResponseMessage answer, int status, string detail)
    {
        string body = await answer.Content.ReadAsStringAsync(Token);
        Assert.Equal((status, "application/problem+json"), ((int)answer.StatusCode, answer.Content.Headers.ContentType?.MediaType));
        Assert.Equal(status, JsonNode.Parse(body)!["status"]!.GetValue<int>());
        Assert.Contains(detail, body.Replace("\\u0027", "'", StringComparison.Ordinal), StringComparison.Ordinal);
        Assert.DoesNotContain("   at ", body, StringComparison.Ordinal);
        return body;
    }
}
