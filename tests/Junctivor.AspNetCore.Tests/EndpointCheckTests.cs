using System.Reflection;
using Junctivor.Checks;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.ApplicationParts;
using Microsoft.AspNetCore.Mvc.Controllers;
using Microsoft.AspNetCore.Mvc.Filters;

namespace Junctivor.AspNetCore.Tests;

/// <summary>What endpoints require is checked before the server listens.</summary>
public class EndpointCheckTests
{
    private interface ITideTable
    {
        int Height { get; }
    }

    [Fact]
    public async Task Everything_that_endpoints_miss_is_said_at_once_with_route_and_place()
    {
        EndpointException refused = await RefusedAsync(wired: routes =>
        {
            routes.MapGet("/tides", (ITideTable tides) => tides.Height);
            routes.MapGet("/crane/{number}", async (Crane crane, int number) =>
            {
                await Task.Yield();
                return crane.Lift(number);
            });
            routes.MapDelete("/tides", (ITideTable tides) => tides.Height);
            routes.MapGet("/winds", ([FromKeyedServicesAttribute("west")] string wind) => wind);
        });

        Assert.Equal(["JV101", "JV101", "JV101"], refused.Report.Errors.Select(fault => fault.Code));
        Assert.Contains(refused.Report.Errors, fault => fault.Summary == "ITideTable is required in 2 places, but is not registered"
            && fault.Path[0] is { Name: "GET /tides", Line: > 0 }
            && fault.Path[0].File.EndsWith("EndpointCheckTests.cs", StringComparison.Ordinal)
            && fault.Path[2].Name == "DELETE /tides");
        Assert.Contains(refused.Report.Errors, fault => fault.Summary == "GET /crane/{number} requires Crane, which is not registered"
            && fault.Path[0].Line > 0);
        Assert.Contains(
            refused.Report.Errors, fault => fault.Summary == "GET /winds requires string marked \"west\", which is not registered");
    }

    [Fact]
    public async Task The_application_does_not_warm_up_before()
    {
        List<string> log = [];
        Wiring warming = [Singleton.From(() => new object()).WarmUp((_, _) => { log.Add("warm"); return Task.CompletedTask; })];

        await RefusedAsync(wired: routes => routes.MapGet("/tides", (ITideTable tides) => tides.Height), wiring: warming);

        Assert.Empty(log);
    }

    [Fact]
    public async Task An_application_that_starts_by_itself_is_checked_too()
    {
        await using Container container = Office.Wiring.Build();
        await using WebApplication app = Office.Make();
        app.UseJunctivor(container, Office.Callers);
        app.MapGet("/tides", ([FromServices] ITideTable tides) => tides.Height);

        EndpointException refused =
            await Assert.ThrowsAsync<EndpointException>(() => app.StartAsync(TestContext.Current.CancellationToken));

        Assert.Equal("GET /tides requires ITideTable, which is not registered", Assert.Single(refused.Report.Errors).Summary);
    }

    [Fact]
    public async Task A_check_that_is_not_wanted_is_not_made()
    {
        await using Office office = await Office.OpenAsync(
            app => app.MapGet("/tides", ([FromServices] ITideTable tides) => tides.Height),
            options: _ => Office.Callers with { ChecksEndpoints = false });

        await Assert.ThrowsAsync<HttpRequestException>(() => office.GetAsync("/tides"));
    }

    [Fact]
    public async Task What_the_host_has_and_what_is_optional_is_not_missed()
    {
        await using Office office = await Office.OpenAsync(
            app => app.MapGet("/all", (
                [FromServices] LinkGenerator links, [FromServices] ILogger<Office> log, [FromServices] Scope scope,
                [FromServices] IServiceProvider services, [FromServices] IEnumerable<EndpointDataSource> sources,
                [FromServices] ITideTable? tides) => $"{tides is null}"));

        Assert.Equal("True", await office.GetAsync("/all"));
    }

    [Fact]
    public async Task A_service_without_an_attribute_outside_of_a_wired_group_is_named()
    {
        EndpointException refused = await RefusedAsync(app => app.MapGet("/desk", (Desk desk) => desk.Answer));
        EndpointException posted = await RefusedAsync(app => app.MapPost("/desk", (Desk desk) => desk.Answer));

        Fault got = Assert.Single(refused.Report.Errors);
        Assert.Equal(("JV110", "GET /desk: the host binds desk to the request body"), (got.Code, got.Summary));
        Assert.Equal(
            ["if it is a service, map the endpoint with app.MapWired(container)", "write [FromServices] before it"],
            got.Fixes.Select(fix => fix.Advice));
        Assert.True(got.Path[0] is { Name: "GET /desk", Line: > 0 });
        Fault sent = Assert.Single(posted.Report.Errors);
        Assert.Equal(
            ("JV110", "POST /desk reads Desk desk from the request body, though the wiring provides it"), (sent.Code, sent.Summary));
        Assert.Equal(
            [
                "map the endpoint with app.MapWired(container)", "write [FromServices] Desk desk",
                "if the body is meant, write [FromBody] Desk desk",
            ],
            sent.Fixes.Select(fix => fix.Advice));
        Assert.True(sent.Path[0] is { Name: "POST /desk", Line: > 0 });
    }

    [Fact]
    public async Task A_refused_endpoint_hides_none_of_the_others()
    {
        EndpointException refused = await RefusedAsync(app =>
        {
            app.MapGet("/first", (Desk desk) => desk.Answer);
            app.MapPost("/second", (Desk desk) => desk.Answer);
            app.MapGroup("/inner").MapGroup("/most").MapGet("/third", (Desk desk) => desk.Answer);
            app.MapGet("/fourth", ([FromServices] ITideTable tides) => tides.Height);
            app.MapDelete("/fifth", (Desk desk) => desk.Answer);
        });

        Assert.Equal(
            ["DELETE /fifth", "GET /first", "GET /fourth", "GET /inner/most/third", "POST /second"],
            refused.Report.Errors.Select(fault => fault.Path[0].Name).Order());
    }

    [Fact]
    public async Task Endpoints_are_read_without_a_start_and_those_of_modules_count_as_used()
    {
        Wiring modules = [.. Office.Wiring, Singleton.Of<IContributesEndpoints, TideEndpoints>(), Transient.Of<Buoy>().ResolvedDirectly()];
        await using WebApplication app = Office.Make();

        CheckReport report = modules.Check(new BuildOptions(), container =>
        {
            app.MapWiredEndpoints(container);
            return app.ReadEntryPoints(container);
        });

        Assert.Equal("GET /tides requires ITideTable, which is not registered", Assert.Single(report.Errors).Summary);
        Assert.DoesNotContain(report.Warnings, warning => IsUnused(warning, nameof(TideEndpoints)));
        Assert.Contains(modules.Check().Warnings, warning => IsUnused(warning, nameof(TideEndpoints)));
        Assert.Empty(app.Urls);
    }

    [Fact]
    public async Task A_body_that_says_so_is_one()
    {
        await using Office office = await Office.OpenAsync(
            app => app.MapPost("/log", ([FromBody] EndLog log) => $"{log is not null}"),
            wired: routes => routes.MapPost("/wired", ([FromBody] EndLog log) => $"{log is not null}"));

        using HttpResponseMessage posted = await office.Client.PostAsync(
            new Uri("/wired", UriKind.Relative), JsonContent.Create(new { }), TestContext.Current.CancellationToken);
        Assert.Equal("True", await posted.Content.ReadAsStringAsync(TestContext.Current.CancellationToken));
    }

    [Fact]
    public async Task Filters_controllers_and_their_actions_are_read()
    {
        EndpointException refused = await RefusedAsync(
            app => app.MapControllers(),
            routes => routes.MapGet("/desk", (Desk desk) => desk.Answer).AddEndpointFilter<TideFilter>(),
            host: builder => builder.Services.AddControllers().ConfigureApplicationPartManager(
                parts => parts.FeatureProviders.Add(new Also(typeof(TideController)))));

        Fault fault = Assert.Single(refused.Report.Errors, each => each.Summary.Contains("ITideTable", StringComparison.Ordinal));
        Assert.Equal(
            ["TideController", "TideController.Read (GET /tide-controller)", "TideFilter of GET /desk", "TideStamp"],
            fault.Path.Where(step => step.Depth == 0).Select(step => step.Name).Order());
        Assert.Equal(
            [
                ("JV101", "[ServiceFilter] of POST /tide-controller requires Seal, which is not registered"),
                ("JV110", "TideController.Write reads Desk desk from the request body, though the wiring provides it"),
            ],
            refused.Report.Errors.Except([fault]).Select(each => (each.Code, each.Summary)).Order());
    }

    [Fact]
    public async Task A_filter_that_gets_arguments_of_the_host_is_sound()
    {
        await using Office office = await Office.OpenAsync(
            app => app.MapControllers(),
            host: builder => builder.Services.AddControllers().ConfigureApplicationPartManager(
                parts => parts.FeatureProviders.Add(new Also(typeof(BerthController)))),
            wired: routes => routes.MapGet("/desk", (Desk desk) => desk.Answer).AddEndpointFilter<ToldFilter>());

        Assert.Equal("Read: 3, south, True", await office.GetAsync("/berth-controller"));
        Assert.StartsWith("told of Answer, ", await office.GetAsync("/desk"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_filters_with_arguments_miss_besides_is_said()
    {
        EndpointException refused = await RefusedAsync(
            app => app.MapControllers(),
            host: builder => builder.Services.AddControllers().ConfigureApplicationPartManager(
                parts => parts.FeatureProviders.Add(new Also(typeof(QuayController)))));

        Assert.Equal("HeightStamp requires ITideTable, which is not registered", Assert.Single(refused.Report.Errors).Summary);
    }

    [Fact]
    public async Task A_controller_that_the_services_of_the_host_create_gets_nothing_of_the_wiring()
    {
        Wiring tides = [Singleton.Of<ITideTable, CalmTable>()];
        static void AsServices(WebApplicationBuilder builder) => builder.Services.AddControllers()
            .ConfigureApplicationPartManager(parts => parts.FeatureProviders.Add(new Also(typeof(CalmController))))
            .AddControllersAsServices();

        EndpointException refused = await RefusedAsync(app => app.MapControllers(), host: AsServices, wiring: tides);

        Fault fault = Assert.Single(refused.Report.Errors);
        Assert.Equal(
            ("JV110", "CalmController is created by the host's own services, which do not know ITideTable"), (fault.Code, fault.Summary));
        Assert.Equal(
            ["remove .AddControllersAsServices()", "register it in the wiring: Transient.Of<CalmController>()"],
            fault.Fixes.Select(fix => fix.Advice));
        await using Office office =
            await Office.OpenAsync(app => app.MapControllers(), [.. tides, Transient.Of<CalmController>()], AsServices);
        Assert.Equal("7", await office.GetAsync("/calm-controller"));
    }

    [Fact]
    public async Task Pages_and_what_they_inject_are_read()
    {
        Wiring lacking = [Singleton.Of<EndLog>()];
        await using Container container = lacking.Build();
        await using WebApplication app = Office.Make(
            builder => builder.Services.AddRazorPages().AddApplicationPart(typeof(EndpointCheckTests).Assembly));
        app.UseJunctivor(container);
        app.MapRazorPages();

        EndpointException refused =
            await Assert.ThrowsAsync<EndpointException>(() => app.StartWarmAsync(container, TestContext.Current.CancellationToken));

        Assert.Equal(
            ["/Pages/Desk.cshtml requires Ledger, which is not registered", "Desk is required in 2 places, but is not registered"],
            refused.Report.Errors.Select(fault => fault.Summary).Order());
        Assert.Equal(
            ["DeskModel", "DeskViewComponent"],
            refused.Report.Errors.Single(fault => fault.Summary.StartsWith("Desk ", StringComparison.Ordinal)).Candidates);
    }

    [Fact]
    public async Task What_only_endpoints_use_is_used()
    {
        Wiring named = [.. Office.Wiring, Singleton.Of<Crane>(), Singleton.Of<Unused>(), Transient.Of<Buoy>().ResolvedDirectly()];
        await using Container container = named.Build();
        await using WebApplication app = Office.Make();
        app.UseJunctivor(container, Office.Callers);
        app.MapWired(container).MapGet("/crane", (Crane crane, Desk desk) => $"{crane} {desk}");
        List<EntryPoint> entryPoints = [new EntryPoint("GET /crane") { Services = [new RequestedService(typeof(Crane), "crane")] }];

        Assert.Contains(container.Report.Warnings, warning => IsUnused(warning, "Crane"));
        CheckReport report = container.Check(entryPoints);

        Assert.DoesNotContain(report.Warnings, warning => IsUnused(warning, "Crane"));
        Assert.Contains(report.Warnings, warning => IsUnused(warning, "Unused"));
    }

    private static bool IsUnused(Fault warning, string name) =>
        warning.Summary.StartsWith($"{name} is registered, but unused", StringComparison.Ordinal);

    private static async Task<EndpointException> RefusedAsync(
        Action<WebApplication>? app = null, Action<RouteGroupBuilder>? wired = null, Action<WebApplicationBuilder>? host = null,
        Wiring? wiring = null) =>
        await Assert.ThrowsAsync<EndpointException>(() => Office.OpenAsync(app, wiring, host, wired: wired));

    private sealed class TideEndpoints : IContributesEndpoints
    {
        public void Contribute(IEndpointRouteBuilder routes) => routes.MapGet("/tides", (ITideTable tides) => tides.Height);
    }

    private sealed class Crane
    {
        public int Lift(int number) => number;
    }

    private sealed class Unused;

    private sealed class Buoy;

    private sealed class TideFilter(ITideTable tides) : IEndpointFilter
    {
        public ValueTask<object?> InvokeAsync(EndpointFilterInvocationContext context, EndpointFilterDelegate next) =>
            new(tides.Height);
    }

    private sealed class TideStamp(ITideTable tides) : ResultFilterAttribute
    {
        public override void OnResultExecuted(ResultExecutedContext context) => context.HttpContext.Items["tide"] = tides.Height;
    }

    private sealed class Seal : ResultFilterAttribute;

    private sealed class ToldFilter(EndpointFilterFactoryContext told, Desk desk) : IEndpointFilter
    {
        public async ValueTask<object?> InvokeAsync(EndpointFilterInvocationContext context, EndpointFilterDelegate next) =>
            $"told of {(told.MethodInfo is null ? "" : desk.Answer[..0])}Answer, {await next(context)}";
    }

    private sealed class NumberStamp(int number, Desk desk, string wind) : ActionFilterAttribute
    {
        public override void OnActionExecuting(ActionExecutingContext context) =>
            context.Result = new ContentResult { Content = $"Read: {number}, {wind}, {desk is not null}" };
    }

    private sealed class CalmTable : ITideTable
    {
        public int Height => 7;
    }

    [ApiController]
    [Route("berth-controller")]
    private sealed class BerthController : ControllerBase
    {
        [HttpGet]
        [TypeFilter<NumberStamp>(Arguments = [3, "south"])]
        public string Read() => "";
    }

    private sealed class HeightStamp(int number, ITideTable tides) : ActionFilterAttribute
    {
        public override void OnActionExecuting(ActionExecutingContext context) =>
            context.Result = new ContentResult { Content = $"{number + tides.Height}" };
    }

    [ApiController]
    [Route("quay-controller")]
    private sealed class QuayController : ControllerBase
    {
        [HttpGet]
        [TypeFilter<HeightStamp>(Arguments = [3])]
        public string Read() => "";
    }

    [ApiController]
    [Route("calm-controller")]
    private sealed class CalmController(ITideTable tides) : ControllerBase
    {
        [HttpGet]
        public string Read() => $"{tides.Height}";
    }

    [ApiController]
    [Route("tide-controller")]
    private sealed class TideController(ITideTable tides) : ControllerBase
    {
        [HttpGet]
        [TypeFilter(typeof(TideStamp))]
        public int Read([FromServices] ITideTable again) => tides.Height + again.Height;

        [HttpPost]
        [ServiceFilter(typeof(Seal))]
        public string Write(Desk desk) => desk.Answer;
    }

    private sealed class Also(Type controller) : IApplicationFeatureProvider<ControllerFeature>
    {
        public void PopulateFeature(IEnumerable<ApplicationPart> parts, ControllerFeature feature)
        {
            feature.Controllers.Clear();
            feature.Controllers.Add(controller.GetTypeInfo());
        }
    }
}
