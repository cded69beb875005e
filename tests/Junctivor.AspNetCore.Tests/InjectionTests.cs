using Microsoft.AspNetCore.Mvc;

namespace Junctivor.AspNetCore.Tests;

/// <summary>Everything of the host that takes services, takes those of the wiring.</summary>
public class InjectionTests
{
    private static readonly Wiring Filters = [Scoped.Of<Stamp>()];

    [Fact]
    public async Task A_minimal_endpoint()
    {
        await using Office office =
            await Office.OpenAsync(app => app.MapGet("/desk", ([FromServices] Desk desk, [FromServices] Ledger ledger) =>
            $"{desk.Answer}, {desk.Ledger == ledger}"));

        Assert.Matches("^Mira at ledger [0-9]+, True$", await office.GetAsync("/desk"));
        Assert.NotEqual(await office.GetAsync("/desk"), await office.GetAsync("/desk"));
    }

    [Fact]
    public async Task A_controller_by_its_constructor_and_by_the_parameters_of_an_action()
    {
        await using Office office = await Office.OpenAsync(
            app => app.MapControllers(),
            host: builder => builder.Services.AddControllers().AddApplicationPart(typeof(InjectionTests).Assembly));

        Assert.Matches("^Mira at ledger [0-9]+, True$", await office.GetAsync("/controlled"));
    }

    [Fact]
    public async Task A_page_by_the_constructor_of_its_model_and_by_what_it_injects_itself()
    {
        await using Office office = await Office.OpenAsync(
            app => app.MapRazorPages(),
            host: builder => builder.Services.AddRazorPages().AddApplicationPart(typeof(InjectionTests).Assembly));

        Assert.Matches("<p>Mira at ledger [0-9]+, True</p>", await office.GetAsync("/desk"));
    }

    [Fact]
    public async Task An_endpoint_filter_by_its_constructor()
    {
        await using Office office = await Office.OpenAsync(
            app => app.MapGet("/desk", ([FromServices] Ledger ledger) => $"{ledger.Number}").AddEndpointFilter<StampFilter>(), Filters);

        Assert.Matches("^([0-9]+) stamped \\1$", await office.GetAsync("/desk"));
    }

    [Fact]
    public async Task Services_are_reached_from_the_HttpContext()
    {
        await using Office office = await Office.OpenAsync(app => app.MapGet("/desk", (HttpContext context) =>
        {
            Scope scope = context.GetScope();
            return $"{scope.Resolve<Ledger>() == context.RequestServices.GetService(typeof(Ledger))}, "
                + $"{scope == context.RequestServices.GetService(typeof(Scope))}, {context.RequestServices == context.RequestServices.GetService(typeof(IServiceProvider))}";
        }));

        Assert.Equal("True, True, True", await office.GetAsync("/desk"));
    }

    [Fact]
    public async Task What_the_wiring_does_not_know_comes_from_the_host()
    {
        await using Office office = await Office.OpenAsync(
            app => app.MapGet(
                "/host",
                ([FromServices] LinkGenerator links,
                    [FromServices] IEnumerable<EndpointDataSource> sources,
                    [FromServices] IReadOnlyList<Desk> desks,
                    HttpContext context) =>
                $"{links is not null}, {sources.Any()}, {desks.Count}, {((List<EndLog>)[.. (IEnumerable<EndLog>)context.RequestServices.GetService(typeof(IEnumerable<EndLog>))!]).Count}, "
                + $"{context.RequestServices.GetService(typeof(InjectionTests)) is null}"));

        Assert.Equal("True, True, 1, 1, True", await office.GetAsync("/host"));
    }

    [Fact]
    public async Task A_provider_that_somebody_set_before_is_asked_and_one_set_behind_counts()
    {
        Fixed earlier = new(typeof(Uri), new Uri("quay://1"));
        Fixed later = new(typeof(Uri), new Uri("quay://2"));
        await using Office office = await Office.OpenAsync(
            app =>
            {
                app.Use((context, next) =>
                {
                    context.Items["first"] = context.RequestServices.GetService(typeof(Uri));
                    context.RequestServices = later;
                    return next(context);
                });
                app.MapGet("/set", (HttpContext context) => $"{context.Items["first"]} {context.RequestServices.GetService(typeof(Uri))}");
            },
            before: app => app.Use((context, next) =>
            {
                context.RequestServices = earlier;
                return next(context);
            }));

        Assert.Equal("quay://1/ quay://2/", await office.GetAsync("/set"));
    }

    [Fact]
    public async Task A_context_without_a_scope_says_what_is_missing()
    {
        await using WebApplication app = Office.Make();
        app.MapGet("/", (HttpContext context) => Assert.Throws<InvalidOperationException>(context.GetScope).Message);
        await app.StartAsync(TestContext.Current.CancellationToken);
        using HttpClient client = new() { BaseAddress = new Uri(app.Urls.First()) };

        Assert.Equal(
            "The request has no scope: call app.UseJunctivor(container) before the middleware that needs it.",
            await client.GetStringAsync(new Uri("/", UriKind.Relative), TestContext.Current.CancellationToken));
    }

    public sealed class Stamp(Ledger ledger)
    {
        public string Text => $"stamped {ledger.Number}";
    }

    private sealed class StampFilter(Stamp stamp) : IEndpointFilter
    {
        public async ValueTask<object?> InvokeAsync(EndpointFilterInvocationContext context, EndpointFilterDelegate next) =>
            $"{await next(context)} {stamp.Text}";
    }

    private sealed class Fixed(Type known, object service) : IServiceProvider
    {
        public object? GetService(Type serviceType) => serviceType == known ? service : null;
    }
}
