using Frameworks.Circuits;
using Frameworks.Data;
using Frameworks.Departures;
using Frameworks.Night;
using Frameworks.Tariffs;
using Frameworks.Weather;
using Microsoft.AspNetCore.SignalR;
using Microsoft.Extensions.Diagnostics.HealthChecks;

namespace Frameworks;

/// <summary>The application: for the program, and for the check of its endpoints.</summary>
public static class FrameworksApplication
{
    /// <summary>Creates it, with the features of the host. Each is switched on with the host's own call, and nothing of ours is registered
    /// there.</summary>
    /// <param name="args">The arguments of the program.</param>
    /// <param name="container">Returns the container, which is built when the application is there.</param>
    public static WebApplication Create(string[] args, Func<Container> container)
    {
        WebApplicationBuilder builder = WebApplication.CreateBuilder(args);
        builder.Services.AddOpenApi();
        builder.Services.AddControllers();
        builder.Services.AddRazorPages();
        builder.Services.AddRazorComponents().AddInteractiveServerComponents();
        builder.Services.AddGrpc();
        builder.Services.AddSignalR(options => options.AddFilter(new WiredHubFilter
        {
            IncomingFor = context => [Incoming.Value(Clerk.Of(context.GetHttpContext()))],
        }));
        builder.Services.AddHealthChecks().AddAsyncCheck("ledger", async cancellationToken =>
        {
            await using Scope scope = await container().StartScopeAsync(cancellationToken: cancellationToken);
            return HealthCheckResult.Healthy($"{(await scope.Resolve<BerthLedger>().VesselsAsync(cancellationToken)).Length} vessels");
        });
        return builder.Build();
    }

    /// <summary>Maps all endpoints.</summary>
    public static void Map(WebApplication app, Container container)
    {
        RouteGroupBuilder routes = app.MapWired(container);
        routes.MapGet("/berths", (BerthLedger ledger, CancellationToken stopped) => ledger.VesselsAsync(stopped));
        routes.MapPost("/berths/{vessel}", (BerthLedger ledger, string vessel, CancellationToken stopped) =>
            ledger.EnterAsync(vessel, stopped));
        routes.MapGet("/wind/{day}", (WeatherOffice weather, string day) => weather.WindAsync(day));
        routes.MapGet("/invoices/{nights}", (Invoice invoice, int nights) => invoice.For(nights));
        routes.MapGet("/rounds", (RoundBook book) => book.Rounds);
        routes.MapGrpcService<DepartureBoardService>();
        routes.MapHub<DepartureHub>("/departures");
        routes.MapRazorComponents<App>().AddInteractiveServerRenderMode();
        app.UseAntiforgery();
        app.MapStaticAssets();
        app.MapControllers();
        app.MapRazorPages();
        app.MapHealthChecks("/health");
        app.MapOpenApi();
    }

    /// <summary>What the endpoints request, for <c>junctivor check</c> and the tests. Nothing is started.</summary>
    [CheckedEntryPoints("frameworks")]
    public static IReadOnlyList<EntryPoint> Endpoints(Container container)
    {
        WebApplication app = Create([], () => container);
        Map(app, container);
        return app.ReadEntryPoints(container);
    }
}
