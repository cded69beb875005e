using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Mvc;

namespace Junctivor.AspNetCore.Tests;

/// <summary>In a group of MapWired, the wiring says what is a service.</summary>
public class WiredEndpointTests
{
    private static readonly Wiring Clocks =
    [
        Singleton.Value("north wind").Marked("north"),
        Singleton.Value("south wind").Marked<South>(),
        Singleton.Of<EndLog>().IfMissing(),
        Scoped.Of<Stamp>(),
        Singleton.Value(new Depth(3)),
    ];

    [Fact]
    public async Task A_parameter_needs_no_attribute()
    {
        await using Office office = await OpenAsync(routes =>
        {
            routes.MapGet("/desk/{vessel}", (Desk desk, Ledger ledger, string vessel, int? draft) =>
                $"{vessel} {draft}: {desk.Answer}, {desk.Ledger == ledger}");
            routes.MapPost("/desk", (Desk desk, Arrival arrival) => $"{arrival.Vessel}: {desk.Answer}");
            routes.MapGroup("/deep").MapGet("/desk", (Desk desk, LinkGenerator links, HttpContext context) =>
                $"{desk.Answer} {links is not null} {context.Request.Path}");
        });

        Assert.Matches("^Alca 3: Mira at ledger [0-9]+, True$", await office.GetAsync("/desk/Alca?draft=3"));
        Assert.Matches("^Mira at ledger [0-9]+ True /deep/desk$", await office.GetAsync("/deep/desk"));
        using HttpResponseMessage posted = await office.Client.PostAsJsonAsync(
            new Uri("/desk", UriKind.Relative), new Arrival("Alca"), TestContext.Current.CancellationToken);
        Assert.Matches(
            "^Alca: Mira at ledger [0-9]+$", await posted.Content.ReadAsStringAsync(TestContext.Current.CancellationToken));
    }

    [Fact]
    public async Task A_key_of_the_host_is_a_mark_of_the_wiring()
    {
        await using Office office = await OpenAsync(
            routes => routes.MapGet("/winds", (
                [FromKeyedServicesAttribute("north")] string north,
                [FromKeyedServicesAttribute(typeof(South))] string south,
                [FromKeyedServicesAttribute("west")] string? west) =>
                $"{north}, {south}, {west is null}"));

        Assert.Equal("north wind, south wind, True", await office.GetAsync("/winds"));
    }

    [Fact]
    public async Task An_optional_service_is_null_where_nobody_provides_it()
    {
        await using Office office = await OpenAsync(routes =>
        {
            routes.MapGet("/interface", (IBuoys? buoys) => $"{buoys is null}");
            routes.MapGet("/class", (Buoys? buoys, Desk? desk) => $"{buoys is null} {desk is null}");
            routes.MapGet("/default", (IBuoys buoys = null!) => $"{buoys is null}");
            routes.MapGet("/structure", (Depth? depth, Width? width) => $"{depth?.Metres} {width is null}");
            routes.MapGet("/together", ([AsParameters] Sounding sounding) => $"{sounding.Buoys is null} {sounding.Desk is null}");
        });

        Assert.Equal("True", await office.GetAsync("/interface"));
        Assert.Equal("True False", await office.GetAsync("/class"));
        Assert.Equal("True", await office.GetAsync("/default"));
        Assert.Equal("3 True", await office.GetAsync("/structure"));
        Assert.Equal("True False", await office.GetAsync("/together"));
    }

    [Fact]
    public async Task A_list_is_a_service_where_the_wiring_provides_what_is_in_it_and_else_a_body()
    {
        await using Office office = await OpenAsync(routes => routes.MapPost(
            "/lists", (IReadOnlyList<Desk> desks, List<Arrival> arrivals) => $"{desks.Count} {arrivals.Count}"));

        using HttpResponseMessage posted = await office.Client.PostAsJsonAsync(
            new Uri("/lists", UriKind.Relative), new[] { new Arrival("Alca"), new Arrival("Uria") }, TestContext.Current.CancellationToken);
        Assert.Equal("1 2", await posted.Content.ReadAsStringAsync(TestContext.Current.CancellationToken));
    }

    [Fact]
    public async Task Members_of_AsParameters_are_services_too()
    {
        await using Office office = await OpenAsync(
            routes => routes.MapGet("/visit/{vessel}", ([AsParameters] Visit visit) => $"{visit.Vessel}: {visit.Desk.Answer}"));

        Assert.Matches("^Alca: Mira at ledger", await office.GetAsync("/visit/Alca"));
    }

    [Fact]
    public async Task OpenAPI_describes_the_endpoints_without_their_services()
    {
        await using Office office = await OpenAsync(
            routes =>
            {
                routes.MapGet("/desk", (Desk desk) => desk.Answer);
                routes.MapPost("/arrivals", (Desk desk, Arrival arrival) => desk.Answer);
            },
            host: builder => builder.Services.AddOpenApi(),
            app: app => app.MapOpenApi());

        JsonNode paths = JsonNode.Parse(await office.GetAsync("/openapi/v1.json"))!["paths"]!;

        Assert.Null(paths["/desk"]!["get"]!["requestBody"]);
        Assert.Null(paths["/desk"]!["get"]!["parameters"]);
        Assert.Equal(
            "#/components/schemas/Arrival",
            (string?)paths["/arrivals"]!["post"]!["requestBody"]!["content"]!["application/json"]!["schema"]!["$ref"]);
    }

    [Fact]
    public async Task A_filter_and_the_conventions_of_a_group_apply()
    {
        await using Office office = await OpenAsync(routes => routes.AddEndpointFilter<StampFilter>()
            .MapGet("/desk", (Ledger ledger) => $"{ledger.Number}"));

        Assert.Matches("^([0-9]+) stamped \\1$", await office.GetAsync("/desk"));
    }

    [Fact]
    public async Task The_provider_of_a_request_tells_what_is_a_service()
    {
        await using Office office = await OpenAsync(routes => routes.MapGet("/ask", (IServiceProviderIsKeyedService known) => string.Join(
            ' ', known.IsService(typeof(Desk)), known.IsService(typeof(LinkGenerator)), known.IsService(typeof(Arrival)),
            known.IsKeyedService(typeof(string), "north"), known.IsKeyedService(typeof(string), "nort"))));

        Assert.Equal("True True False True False", await office.GetAsync("/ask"));
    }

    [Theory]
    [InlineData("/plain")]
    [InlineData("/keyed")]
    public async Task What_nobody_provides_is_refused_as_the_host_refuses_it(string path)
    {
        Exception? thrown = null;
        await using Office office = await Office.OpenAsync(
            app =>
            {
                app.MapGet("/plain", ([FromServices] Arrival arrival) => arrival.Vessel);
                app.MapGet("/keyed", ([FromKeyedServicesAttribute("nort")] Arrival arrival) => arrival.Vessel);
            },
            before: app => app.Use(async (context, next) =>
            {
                try
                {
                    await next(context);
                }
                catch (InvalidOperationException failure)
                {
                    thrown = failure;
                }
            }),
            options: _ => Office.Callers with { ChecksEndpoints = false });

        await office.GetAsync(path);

        Assert.Contains("WiredEndpointTests+Arrival", thrown?.Message, StringComparison.Ordinal);
    }

    /// <param name="routes">The endpoints.</param>
    /// <param name="host">What features of the host are switched on.</param>
    /// <param name="app">What is mapped outside of the group.</param>
    private static Task<Office> OpenAsync(
        Action<RouteGroupBuilder> routes, Action<WebApplicationBuilder>? host = null, Action<WebApplication>? app = null) =>
        Office.OpenAsync(app, Clocks, host, options: _ => Office.Callers, wired: routes);

    public sealed record Arrival(string Vessel);

    public sealed record Visit(string Vessel, Desk Desk);

    public sealed class South;

    public sealed class Stamp(Ledger ledger)
    {
        public string Text => $"stamped {ledger.Number}";
    }

    private sealed class StampFilter(Stamp stamp) : IEndpointFilter
    {
        public async ValueTask<object?> InvokeAsync(EndpointFilterInvocationContext context, EndpointFilterDelegate next) =>
            $"{await next(context)} {stamp.Text}";
    }

    private interface IBuoys;

    private sealed class Buoys : IBuoys;

    private readonly record struct Depth(int Metres);

    private readonly record struct Width(int Metres);

    private sealed record Sounding(IBuoys? Buoys, Desk? Desk);
}
