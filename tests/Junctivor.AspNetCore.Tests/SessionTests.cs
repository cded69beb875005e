using System.Collections.Concurrent;
using Microsoft.AspNetCore.Mvc;
using Microsoft.Extensions.Time.Testing;

namespace Junctivor.AspNetCore.Tests;

/// <summary>Requests of one user share a session, and each has a scope within.</summary>
public class SessionTests
{
    private static readonly ScopeLevel UserSession = new("user session");

    private readonly FakeTimeProvider _time = new();
    private readonly TaskCompletionSource _ended = new();
    private readonly ConcurrentQueue<string> _owners = [];

    [Fact]
    public async Task Requests_of_one_user_share_a_session_and_not_a_scope()
    {
        await using Office office = await OpenAsync();

        string[] first = (await office.GetAsync("/basket?user=Tove")).Split(',');
        string[] second = (await office.GetAsync("/basket?user=Tove")).Split(',');
        string[] other = (await office.GetAsync("/basket?user=Odd")).Split(',');

        Assert.Equal(("Tove 1", "Tove 2", "Odd 1"), (first[0], second[0], other[0]));
        Assert.NotEqual(first[1], second[1]);
        Assert.Equal(["Tove", "Odd"], _owners);
    }

    [Fact]
    public async Task Session_starts_anew_after_its_idle_timeout()
    {
        await using Office office = await OpenAsync();

        await office.GetAsync("/basket?user=Tove");

        // The visit ends some time after the answer, and its idle time begins only then.
        while (!_ended.Task.IsCompleted)
        {
            _time.Advance(TimeSpan.FromMinutes(20));
            await Task.Yield();
        }

        Assert.StartsWith("Tove 1,", await office.GetAsync("/basket?user=Tove"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_request_without_a_key_has_a_scope_and_no_session()
    {
        await using Office office = await OpenAsync();

        Assert.Equal("JV305", await office.GetAsync("/basket"));
    }

    private Task<Office> OpenAsync() => Office.OpenAsync(
        app => app.MapGet("/basket", ([FromServices] Scope scope, [FromServices] Ledger ledger) =>
        {
            try
            {
                return $"{scope.Resolve<Basket>().Add()},{ledger.Number}";
            }
            catch (ResolveException failure)
            {
                return failure.Fault.Code;
            }
        }),
        [UserSession.Incoming<Owner>(), UserSession.Of<Basket>(), Singleton.Value(_ended)],
        options: container => Office.Callers with
        {
            Sessions = new Sessions(container, UserSession, (_, failure) => Task.FromException(failure), _time),
            SessionKey = UserOf,
            SessionIncomingFor = OwnerOf,
        });

    private Incoming[] OwnerOf(HttpContext context)
    {
        Owner owner = new(UserOf(context)!);
        _owners.Enqueue(owner.Name);
        return [Incoming.Value(owner)];
    }

    private static string? UserOf(HttpContext context) => context.Request.Query["user"].FirstOrDefault();

    public sealed record Owner(string Name);

    public sealed class Basket(Owner owner, TaskCompletionSource ended) : IDisposable
    {
        private int _orders;

        public string Add() => $"{owner.Name} {++_orders}";

        public void Dispose() => ended.TrySetResult();
    }
}
