using System.Net;
using System.Security.Claims;
using Microsoft.AspNetCore.Mvc;

namespace Junctivor.AspNetCore.Tests;

/// <summary>What the scope of a request is started with, and when it ends.</summary>
public class ScopeTests
{
    private static CancellationToken Token => TestContext.Current.CancellationToken;

    [Fact]
    public async Task What_the_request_brings_is_supplied_where_it_is_declared()
    {
        await using Office office = await Office.OpenAsync(
            app => app.MapGet("/brought", ([FromServices] Brought brought, HttpContext context) =>
                $"{brought.Context == context}, {brought.User.FindFirst("quay")!.Value}, {brought.Aborted == context.RequestAborted}"),
            [Scoped.Incoming<HttpContext>(), Scoped.Incoming<ClaimsPrincipal>(), Scoped.Incoming<CancellationToken>(),
                Scoped.Of<Brought>()],
            before: app => app.Use((context, next) =>
            {
                context.User = new ClaimsPrincipal(new ClaimsIdentity([new Claim("quay", "north")]));
                return next(context);
            }));

        Assert.Equal("True, north, True", await office.GetAsync("/brought"));
    }

    [Fact]
    public async Task The_scope_is_whole_until_the_response_is_done_and_ends_then()
    {
        await using Office office =
            await Office.OpenAsync(
                app => app.MapGet("/slow", ([FromServices] Ledger ledger, [FromServices] EndLog ends, HttpContext context) =>
        {
            context.Response.OnStarting(() =>
            {
                context.Response.Headers["Ended"] = $"{ends.EndOf(ledger.Number).IsCompleted}";
                return Task.CompletedTask;
            });
            return $"{ledger.Number}";
        }));

        using HttpResponseMessage answer = await office.Client.GetAsync(new Uri("/slow", UriKind.Relative), Token);
        Assert.Equal("False", Assert.Single(answer.Headers.GetValues("Ended")));
        await office.Ends.EndOf(int.Parse(await answer.Content.ReadAsStringAsync(Token), null));
    }

    [Fact]
    public async Task Scope_is_disposed_when_the_endpoint_throws()
    {
        int number = 0;
        await using Office office = await Office.OpenAsync(app => app.MapGet("/storm", string ([FromServices] Ledger ledger) =>
        {
            number = ledger.Number;
            throw new InvalidOperationException("the mast is gone");
        }));

        using HttpResponseMessage answer = await office.Client.GetAsync(new Uri("/storm", UriKind.Relative), Token);

        Assert.Equal(HttpStatusCode.InternalServerError, answer.StatusCode);
        await office.Ends.EndOf(number);
    }

    [Fact]
    public async Task Scope_is_disposed_when_the_client_disconnects()
    {
        TaskCompletionSource<int> begun = new();
        await using Office office =
            await Office.OpenAsync(app => app.MapGet("/becalmed", async ([FromServices] Ledger ledger, HttpContext context) =>
        {
            begun.SetResult(ledger.Number);
            await Task.Delay(Timeout.Infinite, context.RequestAborted);
        }));
        using CancellationTokenSource patience = new();

        Task<string> waiting = office.Client.GetStringAsync(new Uri("/becalmed", UriKind.Relative), patience.Token);
        int number = await begun.Task.WaitAsync(Token);
        await patience.CancelAsync();

        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => waiting);
        await office.Ends.EndOf(number);
    }

    [Fact]
    public async Task What_the_scope_creates_asynchronously_is_awaited_and_a_failure_there_is_the_request_s()
    {
        bool fails = false;
        await using Office office = await Office.OpenAsync(
            app => app.MapGet("/pilot", ([FromServices] Pilot pilot) => pilot.Name),
            [Scoped.FromAsync(async (Caller caller) =>
            {
                await Task.Yield();
                return fails ? throw new InvalidOperationException("no pilot") : new Pilot(caller.Name);
            })]);

        Assert.Equal("Mira", await office.GetAsync("/pilot"));
        fails = true;
        using HttpResponseMessage answer = await office.Client.GetAsync(new Uri("/pilot", UriKind.Relative), Token);
        Assert.Equal(HttpStatusCode.InternalServerError, answer.StatusCode);
    }

    [Fact]
    public async Task Many_requests_at_once_keep_to_their_own_scopes()
    {
        await using Office office =
            await Office.OpenAsync(app => app.MapGet("/desk", async ([FromServices] Desk desk, [FromServices] Ledger ledger) =>
        {
            await Task.Yield();
            return $"{desk.Ledger == ledger} {ledger.Number}";
        }));

        string[] answers = await Task.WhenAll(Enumerable.Range(0, 200).Select(_ => office.GetAsync("/desk")));

        Assert.All(answers, answer => Assert.StartsWith("True", answer, StringComparison.Ordinal));
        Assert.Equal(200, answers.Distinct().Count());
    }

    public sealed record Brought(HttpContext Context, ClaimsPrincipal User, CancellationToken Aborted);

    public sealed record Pilot(string Name);
}
