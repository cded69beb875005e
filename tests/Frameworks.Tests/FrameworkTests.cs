using System.Text.Json.Nodes;
using Frameworks.Departures;
using Grpc.Core;
using Grpc.Net.Client;
using Junctivor;
using Junctivor.Testing;
using Microsoft.AspNetCore.SignalR.Client;

namespace Frameworks.Tests;

/// <summary>Each recipe of docs/frameworks.md, over the wire.</summary>
public sealed class FrameworkTests : IAsyncLifetime
{
    private RunningOffice _office = null!;

    private static CancellationToken Token => TestContext.Current.CancellationToken;

    public async ValueTask InitializeAsync() => _office = await RunningOffice.OpenAsync();

    public ValueTask DisposeAsync() => _office.DisposeAsync();

    [Fact]
    public void The_wiring_has_what_all_endpoints_request_and_no_warnings()
    {
        IReadOnlyList<EntryPoint> found = [];

        FrameworksWiring.Wiring.MustHaveNoWarnings(container => found = FrameworksApplication.Endpoints(container));

        Assert.Equal(
            [
                "/Pages/Quay.cshtml", "BerthController", "BerthController.Get (GET /controlled/berths)", "DepartureBoardService", "DepartureHub",
                "GET /berths", "GET /invoices/{nights}", "GET /rounds", "GET /wind/{day}", "POST /berths/{vessel}", "QuayModel",
            ],
            found.Select(each => each.Name).Order());
    }

    [Fact]
    public async Task Entity_Framework_migrates_at_the_start_and_has_a_context_for_each_request()
    {
        Assert.Equal("1", await _office.EnterAsync("Heron"));
        Assert.Equal("2", await _office.EnterAsync("Gull"));

        Assert.Equal("""["Heron","Gull"]""", await _office.GetAsync("/berths"));
    }

    [Fact]
    public async Task Requests_at_the_same_time_share_no_context()
    {
        string[] numbers = await Task.WhenAll(Enumerable.Range(1, 20).Select(number => _office.EnterAsync($"Vessel {number}")));

        Assert.Equal(Enumerable.Range(1, 20).Select(number => $"{number}").Order(), numbers.Order());
    }

    [Fact]
    public async Task A_client_asks_again_and_a_cache_keeps_the_answer()
    {
        string day = $"{Guid.NewGuid():N}";

        Assert.Equal($"south-west on {day}", await _office.GetAsync($"/wind/{day}"));
        Assert.Equal($"south-west on {day}", await _office.GetAsync($"/wind/{day}"));

        Assert.Equal(2, RunningOffice.Asked.Count(asked => asked == day));
    }

    [Fact]
    public async Task Options_are_reloaded_between_requests()
    {
        string before = await _office.GetAsync("/invoices/3");
        _office.Configuration["Tariff:Night"] = "30";
        _office.Configuration.Reload();

        Assert.Equal(("75 marks", "90 marks"), (before, await _office.GetAsync("/invoices/3")));
    }

    [Fact]
    public async Task A_gRPC_service_takes_services_by_its_constructor()
    {
        using GrpcChannel channel = GrpcChannel.ForAddress(_office.Http2Address);
        DepartureBoard.DepartureBoardClient client = new(channel);

        DepartureReply reply = await client.AnnounceAsync(
            new DepartureRequest { Vessel = "Heron" }, new Metadata { { "Clerk", "Tove" } }, cancellationToken: Token);

        Assert.Equal((1, "Tove"), (reply.Berth, reply.Clerk));
    }

    [Fact]
    public async Task What_a_gRPC_service_misses_is_said_at_the_start()
    {
        WebApplicationBuilder builder = WebApplication.CreateSlimBuilder(["--urls", "http://127.0.0.1:0"]);
        builder.Services.AddGrpc();
        await using WebApplication app = builder.Build();
        Wiring empty = [];
        await using Container container = empty.Build();
        app.UseJunctivor(container);
        app.MapGrpcService<DepartureBoardService>();

        EndpointException refused = await Assert.ThrowsAsync<EndpointException>(() => app.StartWarmAsync(container, Token));

        Assert.Equal(
            ["DepartureBoardService requires BerthLedger, which is not registered", "DepartureBoardService requires Clerk, which is not registered"],
            refused.Report.Errors.Select(fault => fault.Summary).Order());
    }

    [Fact]
    public async Task A_hub_has_a_scope_for_each_call_and_tells_all_clients()
    {
        TaskCompletionSource<string> told = new();
        await using HubConnection connection = new HubConnectionBuilder()
            .WithUrl(new Uri(_office.Address, "/departures"), options => options.Headers["Clerk"] = "Mira").Build();
        connection.On<string>("departed", told.SetResult);
        await connection.StartAsync(Token);

        string first = await connection.InvokeAsync<string>("Announce", "Heron", Token);
        string second = await connection.InvokeAsync<string>("Announce", "Gull", Token);

        Assert.StartsWith("Mira: Heron leaves berth 1, by context ", first, StringComparison.Ordinal);
        Assert.StartsWith("Mira: Gull leaves berth 2, by context ", second, StringComparison.Ordinal);
        Assert.Equal("Heron from berth 1", await told.Task.WaitAsync(Token));
    }

    [Fact]
    public async Task A_controller_and_a_page_take_services()
    {
        await _office.EnterAsync("Heron");

        Assert.Equal("Heron by one context: True", await _office.GetAsync("/controlled/berths"));
        string page = await _office.GetAsync("/quay");
        Assert.Contains("<li>Heron</li>", page, StringComparison.Ordinal);
        Assert.Contains("Two nights cost 50 marks.", page, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_health_check_has_a_scope_of_its_own() => Assert.Equal("Healthy", await _office.GetAsync("/health"));

    [Fact]
    public async Task OpenAPI_describes_what_comes_from_the_request_alone()
    {
        JsonNode paths = JsonNode.Parse(await _office.GetAsync("/openapi/v1.json"))!["paths"]!;

        JsonArray parameters = paths["/berths/{vessel}"]!["post"]!["parameters"]!.AsArray();
        Assert.Equal("vessel", (string?)Assert.Single(parameters)!["name"]);
        Assert.Null(paths["/berths/{vessel}"]!["post"]!["requestBody"]);
    }

    [Fact]
    public async Task A_scheduler_lends_its_jobs_and_each_run_has_a_context()
    {
        await _office.EnterAsync("Heron");
        JsonArray rounds;
        do
        {
            rounds = JsonNode.Parse(await _office.GetAsync("/rounds"))!.AsArray();
        }
        while (rounds.Count(round => ((string)round!).EndsWith(": 1 vessels", StringComparison.Ordinal)) < 2);

        Assert.All(rounds, round => Assert.Matches("^[0-9a-f-]+:[0-9]+: [01] vessels$", (string)round!));
        Assert.Equal(rounds.Count, rounds.Select(round => ((string)round!).Split(": ")[0]).Distinct().Count());
    }
}
