using Harbour.Office;
using Harbour.Shifts;
using Microsoft.AspNetCore.Mvc;

namespace Junctivor.Load;

/// <summary>The endpoints with what a container creates.</summary>
internal static class EndpointsByContainer
{
    public static Wiring Wiring =>
    [
        .. Harbour.HarbourWiring.Office,
        Singleton.Of<TideColumn>(),
        Scoped.Of<Page>(),
        Transient.Of<Pen>(),
        Scoped.Of<Writer>(),
    ];

    public static void Map(WebApplication app, Container container)
    {
        ShiftPlan plan = container.Resolve<ShiftPlan>();
        app.UseJunctivor(container, new RequestOptions
        {
            IncomingFor = _ => [Incoming.Value(Caller.Unknown)],
            Sessions = container.Resolve<Sessions>(),
            SessionKey = context => context.Request.Path == "/bare" ? null : plan.Now.ToString(),
            SessionIncomingFor = _ => [Incoming.Value(plan.Now)],
        });
        app.MapGet("/bare", ([FromServices] Writer writer) => writer.Write());
        app.MapGet("/berths", async ([FromServices] BookingDesk desk) => Results.Ok(await desk.Planner.OverviewAsync()));
    }
}
