using Frameworks;
using Frameworks.Circuits;
using Frameworks.Data;
using Frameworks.Departures;
using Frameworks.Night;
using Frameworks.Tariffs;
using Frameworks.Weather;
using Microsoft.AspNetCore.SignalR;
using Microsoft.Extensions.Diagnostics.HealthChecks;

WebApplicationBuilder builder = WebApplication.CreateBuilder(args);

// Features of the host: each is switched on with the host's own call, and nothing of ours is registered there.
Container? built = null;
builder.Services.AddOpenApi();
builder.Services.AddControllers();
builder.Services.AddRazorPages();
builder.Services.AddRazorComponents().AddInteractiveServerComponents();
builder.Services.AddGrpc();
builder.Services.AddSignalR(options => options.AddFilter(new WiredHubFilter
{
    Incoming = context => [Incoming.Value(Clerk.Of(context.GetHttpContext()))],
}));
builder.Services.AddHealthChecks().AddAsyncCheck("ledger", async cancellationToken =>
{
    await using Scope scope = await built!.StartScopeAsync(cancellationToken);
    return HealthCheckResult.Healthy($"{(await scope.Resolve<BerthLedger>().VesselsAsync(cancellationToken)).Length} vessels");
});

await using WebApplication app = builder.Build();
await using Container container = FrameworksWiring.Wiring.Build(Incoming.FromHost(app.Services));
built = container;
app.UseJunctivor(container, context => Incoming.Value(Clerk.Of(context)));

RouteGroupBuilder routes = app.MapWired(container);
routes.MapGet("/berths", (BerthLedger ledger, CancellationToken stopped) => ledger.VesselsAsync(stopped));
routes.MapPost("/berths/{vessel}", (BerthLedger ledger, string vessel, CancellationToken stopped) => ledger.EnterAsync(vessel, stopped));
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
await app.RunWiredAsync(container);
