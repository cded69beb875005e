using Harbour.Office;
using Harbour.Web;
using Junctivor;

namespace Harbour.Arrivals;

/// <summary>POST /arrivals</summary>
public sealed class ArrivalEndpoints : IContributesEndpoints
{
    public void Contribute(IEndpointRouteBuilder routes) => routes.MapPost("/arrivals", ReportAsync);

    private static async Task<IResult> ReportAsync(
        HttpContext context, Visit visit, ArrivalQueue queue, IClock clock)
    {
        ServedBy.Tell(context, visit);
        (Report? report, IResult? problem) = await JsonBody.ReadAsync<Report>(context.Request);
        if (report is null)
        {
            return problem!;
        }

        if (string.IsNullOrWhiteSpace(report.Vessel))
        {
            return Results.ValidationProblem(new Dictionary<string, string[]> { ["vessel"] = ["Name the vessel."] });
        }

        return queue.TryPut(new Arrived(report.Vessel, clock.Now))
            ? Results.Accepted()
            : Results.Problem("Too many arrivals wait to be noted. Try again later.", statusCode: StatusCodes.Status503ServiceUnavailable);
    }

    private sealed record Report(string? Vessel);
}
