using System.Globalization;
using Harbour.Ledger;
using Harbour.Office;
using Junctivor;

namespace Harbour.Web;

/// <summary>The berths, tides and departures.</summary>
public sealed class HarbourEndpoints : IContributesEndpoints
{
    public void Contribute(IEndpointRouteBuilder routes)
    {
        routes.MapGet("/berths", OverviewAsync);
        routes.MapPost("/berths/requests", BookAsync);
        routes.MapGet("/berths/requests/{id}", FindAsync);
        routes.MapGet("/tides/{date}", TidesAsync);
        routes.MapPost("/departures", DepartAsync);
    }

    private static async Task<IResult> OverviewAsync(
        HttpContext context, BookingDesk desk, BerthPlanner planner)
    {
        ServedBy.Tell(context, desk, ("second-planner", planner.Badge));
        return Results.Ok(await planner.OverviewAsync());
    }

    private static async Task<IResult> BookAsync(
        HttpContext context, BookingDesk desk, BerthRequestCheck check)
    {
        ServedBy.Tell(context, desk);
        (BerthRequest? request, IResult? problem) = await JsonBody.ReadAsync<BerthRequest>(context.Request);
        if (request is null)
        {
            return problem!;
        }

        Dictionary<string, string[]> errors = check.Errors(request);
        if (errors.Count > 0)
        {
            return Results.ValidationProblem(errors);
        }

        Booking? booking = await desk.BookAsync(request);
        return booking is null
            ? Results.Problem("No berth is free and deep enough on these days.", statusCode: StatusCodes.Status409Conflict)
            : Results.Created($"/berths/requests/{booking.Id}", booking);
    }

    private static async Task<IResult> FindAsync(HttpContext context, string id, BookingDesk desk)
    {
        ServedBy.Tell(context, desk);
        if (!long.TryParse(id, NumberStyles.None, CultureInfo.InvariantCulture, out long number))
        {
            return Results.Problem($"'{id}' is no number of a request.", statusCode: StatusCodes.Status400BadRequest);
        }

        return await desk.Ledger.FindAsync(number) is { } booking
            ? Results.Ok(booking)
            : Results.Problem($"There is no request {number}.", statusCode: StatusCodes.Status404NotFound);
    }

    private static IResult TidesAsync(HttpContext context, string date, ITideTable tides, Visit visit)
    {
        ServedBy.Tell(context, visit, ("tides", tides.Badge));
        if (!DateOnly.TryParseExact(date, "O", CultureInfo.InvariantCulture, DateTimeStyles.None, out DateOnly day))
        {
            return Results.Problem($"'{date}' is no day: write it as YYYY-MM-DD.", statusCode: StatusCodes.Status400BadRequest);
        }

        return tides.Of(day) is { } tide
            ? Results.Ok(tide)
            : Results.Problem($"The tide table does not know {date}.", statusCode: StatusCodes.Status404NotFound);
    }

    private static async Task<IResult> DepartAsync(HttpContext context, DepartureDesk desk)
    {
        ServedBy.Tell(context, desk.Visit, ("desk", desk.Badge), ("desk-ledger", desk.Ledger.Badge));
        (Departure? departure, IResult? problem) = await JsonBody.ReadAsync<Departure>(context.Request);
        if (departure is null)
        {
            return problem!;
        }

        return await desk.LeaveAsync(departure.RequestId) switch
        {
            DepartureAnswer.Gone => Results.NoContent(),
            DepartureAnswer.AlreadyGone => Results.Problem("That vessel has left already.", statusCode: StatusCodes.Status409Conflict),
            _ => Results.Problem(
                $"There is no request {departure.RequestId}: give the requestId of a booking.", statusCode: StatusCodes.Status404NotFound),
        };
    }

    private sealed record Departure(long RequestId);
}
