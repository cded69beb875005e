using Junctivor;

namespace Harbour_Office;

/// <summary>The endpoints. The wiring says which parameters are services.</summary>
public static class OfficeEndpoints
{
    public static void MapOffice(this IEndpointRouteBuilder routes)
    {
        routes.MapGet("/", () => "Ask for /berths/Heron.");
        routes.MapGet("/berths/{vessel}", (BerthPlanner planner, string vessel) => planner.Plan(vessel));
    }

    /// <summary>What they request, for junctivor check and the tests. Nothing is started.</summary>
    [CheckedEntryPoints("office")]
    public static IReadOnlyList<EntryPoint> Requested(Container container)
    {
        WebApplication app = WebApplication.Create();
        app.MapWired(container).MapOffice();
        return app.ReadEntryPoints(container);
    }
}
