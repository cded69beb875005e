using Harbour.Ledger;
using Harbour.Office;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Routing;

namespace Harbour.Tests;

public class ScopeTests
{
    private static CancellationToken Token => TestContext.Current.CancellationToken;

    [Fact]
    public async Task Within_a_request_the_ledger_is_shared_and_the_next_has_another()
    {
        await using OpenOffice office = await OpenOffice.OpenAsync();

        Dictionary<string, string> first = await CrewOf(office, "/berths");
        Dictionary<string, string> second = await CrewOf(office, "/berths");

        Assert.Equal(first["desk-ledger"], first["planner-ledger"]);
        Assert.Equal(second["desk-ledger"], second["planner-ledger"]);
        Assert.NotEqual(first["desk-ledger"], second["desk-ledger"]);
        Assert.NotEqual(first["planner"], first["second-planner"]);
        Assert.Equal(first["tides"], second["tides"]);
        Assert.Equal(("1", "2"), (first["scope"], second["scope"]));
    }

    [Fact]
    public async Task What_the_wiring_does_not_know_comes_from_the_host()
    {
        object? fromHost = null;
        await using OpenOffice office = await OpenOffice.OpenAsync(routes => routes.MapGet("/host", (HttpContext context) =>
        {
            fromHost = context.RequestServices.GetService(typeof(LinkGenerator));
            return context.RequestServices.GetService(typeof(IBerthLedger)) is SqliteBerthLedger ? "ours" : "not ours";
        }));

        Assert.Equal("ours", await office.Client.GetStringAsync(new Uri("/host", UriKind.Relative), Token));
        Assert.NotNull(fromHost);
    }

    [Fact]
    public async Task The_scope_ends_when_the_response_is_done()
    {
        await using OpenOffice office = await OpenOffice.OpenAsync();

        await office.Client.GetStringAsync(new Uri("/berths", UriKind.Relative), Token);

        Assert.Equal(new VisitEnd(2, 2), await office.Muster.WhenEnded(1).WaitAsync(Token));
    }

    [Fact]
    public async Task The_scope_ends_when_the_handler_throws()
    {
        await using OpenOffice office = await OpenOffice.OpenAsync(routes => routes.MapGet("/storm", Storm));

        using HttpResponseMessage answer = await office.Client.GetAsync(new Uri("/storm", UriKind.Relative), Token);

        Assert.Equal(new VisitEnd(2, 2), await office.Muster.WhenEnded(1).WaitAsync(Token));

        static IResult Storm([FromServices] BookingDesk desk) => throw new InvalidOperationException(desk.Badge);
    }

    [Fact]
    public async Task Request_scope_is_disposed_when_the_client_disconnects()
    {
        TaskCompletionSource begun = new();
        await using OpenOffice office =
            await OpenOffice.OpenAsync(routes => routes.MapGet("/becalmed", async (HttpContext context, [FromServices] BookingDesk desk) =>
        {
            begun.SetResult();
            await Task.Delay(Timeout.Infinite, context.RequestAborted);
            return desk.Badge;
        }));
        using CancellationTokenSource patience = new();

        Task<string> waiting = office.Client.GetStringAsync(new Uri("/becalmed", UriKind.Relative), patience.Token);
        await begun.Task.WaitAsync(Token);
        await patience.CancelAsync();

        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => waiting);
        Assert.Equal(new VisitEnd(2, 2), await office.Muster.WhenEnded(1).WaitAsync(Token));
    }

    [Fact]
    public async Task Many_requests_at_once_keep_to_their_own_scopes()
    {
        await using OpenOffice office = await OpenOffice.OpenAsync();

        Dictionary<string, string>[] crews = await Task.WhenAll(Enumerable.Range(0, 40).Select(_ => CrewOf(office, "/berths")));

        Assert.All(crews, crew => Assert.Equal(crew["desk-ledger"], crew["planner-ledger"]));
        Assert.Equal(40, crews.Select(crew => crew["desk-ledger"]).Distinct().Count());
        Assert.Single(crews.Select(crew => crew["tides"]).Distinct());
    }

    private static async Task<Dictionary<string, string>> CrewOf(OpenOffice office, string path)
    {
        using HttpResponseMessage answer = await office.Client.GetAsync(new Uri(path, UriKind.Relative), Token);
        return answer.Headers.GetValues(Web.ServedBy.Header)
            .SelectMany(header => header.Split(',', StringSplitOptions.TrimEntries))
            .Select(part => part.Split('='))
            .ToDictionary(part => part[0], part => part[1]);
    }
}
