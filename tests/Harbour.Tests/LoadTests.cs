using System.Collections.Concurrent;
using Harbour.Ledger;
using Harbour.Office;
using Junctivor;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Routing;

namespace Harbour.Tests;

/// <summary>The office under load: many connections, some requests that throw, some that the client gives up. It measures memory, so
/// nothing else runs meanwhile.</summary>
[Collection(nameof(Alone))]
public class LoadTests
{
    private const int Connections = 64;
    private const int Requests = 20_000;
    private const int FirstRequests = 4_000;
    private const int Every = 20;
    private const string Heron =
        """{ "vessel": "Heron", "lengthMetres": 16.5, "draughtMetres": 2.1, "arrival": "2027-05-04", "nights": 2 }""";

    /// <summary>A scope that stayed for each request would be several times this.</summary>
    private const long Noise = 4_000_000;

    private readonly ConcurrentDictionary<int, TaskCompletionSource> _waiting = new();
    private readonly ConcurrentQueue<string> _wrong = new();
    private int _started;
    private int _ended;
    private int _made;
    private int _disposed;

    private static CancellationToken Token => TestContext.Current.CancellationToken;

    [Fact]
    public async Task Nothing_is_wrong_nothing_is_kept_and_nothing_is_lost()
    {
        await using OpenOffice office = await OpenOffice.OpenAsync(Map);
        office.Container.Observe(Count);
        using HttpResponseMessage booked = await office.PostAsync("/berths/requests", Heron);
        using HttpClient client = new(new SocketsHttpHandler { MaxConnectionsPerServer = Connections }) { BaseAddress = office.Address };
        await SendAsync(client, 0, FirstRequests);
        long before = GC.GetTotalMemory(forceFullCollection: true);

        await SendAsync(client, FirstRequests, FirstRequests + Requests);
        long after = GC.GetTotalMemory(forceFullCollection: true);
        await office.CloseAsync();

        Assert.Empty(_wrong);
        Assert.Equal((1 + FirstRequests + Requests, 1 + FirstRequests + Requests), (_started, _ended));
        Assert.InRange(_made, Requests, int.MaxValue);
        Assert.Equal(_made, _disposed);
        Assert.InRange(after - before, long.MinValue, Noise);
    }

    private void Map(IEndpointRouteBuilder routes)
    {
        routes.MapGet("/caller", async ([FromServices] BookingDesk desk, [FromServices] IBerthLedger ledger) =>
        {
            await Task.Yield();
            return desk.Ledger == ledger && desk.Planner.Ledger == ledger ? desk.Visit.Caller.Name : "another one's ledger";
        });
        routes.MapGet("/storm", string ([FromServices] BookingDesk desk) => throw new InvalidOperationException(desk.Badge));
        routes.MapGet("/becalmed/{number:int}", async (int number, [FromServices] BookingDesk desk, HttpContext context) =>
        {
            _waiting[number].SetResult();
            await Task.Delay(Timeout.Infinite, context.RequestAborted);
            return desk.Badge;
        });
    }

    private async Task SendAsync(HttpClient client, int from, int until)
    {
        int last = from - 1;
        await Task.WhenAll(Enumerable.Range(0, Connections).Select(_ => Task.Run(async () =>
        {
            for (int number = Interlocked.Increment(ref last); number < until; number = Interlocked.Increment(ref last))
            {
                await (number % Every == 0 ? GiveUpAsync(client, number) : AskAsync(client, number));
            }
        })));
    }

    private async Task AskAsync(HttpClient client, int number)
    {
        (string path, int status, string body) = (number % Every) switch
        {
            1 => ("/storm", 500, "Try again later"),
            < 4 => ("/berths/requests/1", 200, "\"vessel\":\"Heron\""),
            < 8 => ("/tides/2027-05-05", 200, "\"lowMetres\":0.3"),
            _ => ("/caller", 200, $"caller {number}"),
        };
        using HttpRequestMessage request = new(HttpMethod.Get, path);
        request.Headers.Add("Caller", $"caller {number}");
        using HttpResponseMessage answer = await client.SendAsync(request, Token);
        string text = await answer.Content.ReadAsStringAsync(Token);
        if ((int)answer.StatusCode != status || !text.Contains(body, StringComparison.Ordinal))
        {
            _wrong.Enqueue($"{path}: {answer.StatusCode} {text}");
        }
    }

    private async Task GiveUpAsync(HttpClient client, int number)
    {
        TaskCompletionSource begun = _waiting[number] = new TaskCompletionSource(TaskCreationOptions.RunContinuationsAsynchronously);
        using CancellationTokenSource patience = new();
        Task<string> answer = client.GetStringAsync(new Uri($"/becalmed/{number}", UriKind.Relative), patience.Token);
        await begun.Task.WaitAsync(Token);
        await patience.CancelAsync();
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => answer);
        _waiting.TryRemove(number, out _);
    }

    /// <summary>Counts in the scopes of requests.</summary>
    private void Count(LifeEvent happened)
    {
        if (happened.Where is not Scope { Level: null })
        {
            return;
        }

        switch (happened.Kind)
        {
            case LifeEventKind.ScopeStarted:
                Interlocked.Increment(ref _started);
                break;
            case LifeEventKind.ScopeEnded:
                Interlocked.Increment(ref _ended);
                break;
            case LifeEventKind.Constructed when happened.Instance is IDisposable or IAsyncDisposable:
                Interlocked.Increment(ref _made);
                break;
            case LifeEventKind.Disposed:
                Interlocked.Increment(ref _disposed);
                break;
        }
    }
}
