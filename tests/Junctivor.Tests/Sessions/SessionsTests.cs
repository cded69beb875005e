using Microsoft.Extensions.Time.Testing;

namespace Junctivor.Tests;

public sealed class SessionsTests : IAsyncDisposable
{
    private static readonly ScopeLevel UserSession = new("user session");

    private readonly FakeTimeProvider _time = new();
    private readonly List<string> _failures = [];
    private readonly Dictionary<Basket, TaskCompletionSource> _ended = [];
    private readonly Container _container;

    public SessionsTests() => _container = new Wiring
    {
        UserSession.Incoming<Caller>(),
        UserSession.Of<Basket>(),
        Scoped.Of<MemoryLedger>().Also<IBerthLedger>(),
        Singleton.Value<Action<Basket>>(HasEnded),
    }.Build();

    private static CancellationToken Token => TestContext.Current.CancellationToken;

    public ValueTask DisposeAsync() => _container.DisposeAsync();

    [Fact]
    public async Task A_session_outlives_the_request_and_is_distinguished_by_its_key()
    {
        await using Sessions sessions = Make();

        Basket first = await VisitAsync(sessions, "Mira");
        Basket again = await VisitAsync(sessions, "Mira");
        Basket other = await VisitAsync(sessions, "Tove");

        Assert.Same(first, again);
        Assert.NotSame(first, other);
        Assert.Equal("Mira", first.Caller.Name);
        Assert.Equal(2, sessions.Count);
    }

    [Fact]
    public async Task Requests_within_a_session_have_scopes_of_their_own()
    {
        await using Sessions sessions = Make();
        await using SessionVisit visit = await sessions.EnterAsync("Mira", [Incoming.Value(new Caller("Mira"))], Token);
        await using Scope one = visit.Scope.StartScope();
        await using Scope two = visit.Scope.StartScope();

        Assert.NotSame(one.Resolve<IBerthLedger>(), two.Resolve<IBerthLedger>());
        Assert.Same(one.Resolve<Basket>(), two.Resolve<Basket>());
    }

    [Fact]
    public async Task TryEnter_enters_a_session_that_has_started_and_no_other()
    {
        await using Sessions sessions = Make();
        Assert.False(sessions.TryEnter("Mira", out _));
        Basket basket = await VisitAsync(sessions, "Mira");

        Assert.True(sessions.TryEnter("Mira", out SessionVisit? visit));
        Assert.Same(basket, visit.Scope.Resolve<Basket>());
        await visit.DisposeAsync();

        await sessions.DisposeAsync();
        Assert.False(sessions.TryEnter("Mira", out _));
    }

    [Fact]
    public async Task A_session_ends_when_nobody_has_visited_it_for_long_enough()
    {
        await using Sessions sessions = Make();
        Basket mira = await VisitAsync(sessions, "Mira");
        _time.Advance(TimeSpan.FromMinutes(6));
        Basket tove = await VisitAsync(sessions, "Tove");

        _time.Advance(TimeSpan.FromMinutes(4));
        await EndOf(mira);
        Assert.Equal((1, false), (sessions.Count, EndOf(tove).IsCompleted));
        _time.Advance(TimeSpan.FromMinutes(6));
        await EndOf(tove);

        Assert.Equal(0, sessions.Count);
        Assert.NotSame(mira, await VisitAsync(sessions, "Mira"));
    }

    [Fact]
    public async Task A_visit_begins_the_time_anew_and_while_it_lasts_nothing_ends()
    {
        await using Sessions sessions = Make();
        Basket basket = await VisitAsync(sessions, "Mira");
        _time.Advance(TimeSpan.FromMinutes(9));
        SessionVisit visit = await sessions.EnterAsync("Mira", cancellationToken: Token);
        _time.Advance(TimeSpan.FromHours(3));
        Assert.Equal(1, sessions.Count);

        await visit.DisposeAsync();
        await visit.DisposeAsync();
        _time.Advance(TimeSpan.FromMinutes(9));
        Assert.Same(basket, await VisitAsync(sessions, "Mira"));
        _time.Advance(TimeSpan.FromMinutes(10));

        await EndOf(basket);
    }

    [Fact]
    public async Task Session_that_is_idle_the_longest_makes_room()
    {
        await using Sessions sessions = Make(atMost: 2);
        Basket mira = await VisitAsync(sessions, "Mira");
        Basket tove = await VisitAsync(sessions, "Tove");
        await VisitAsync(sessions, "Mira");

        await VisitAsync(sessions, "Odd");

        await EndOf(tove);
        Assert.Equal(2, sessions.Count);
        Assert.Same(mira, await VisitAsync(sessions, "Mira"));
    }

    [Fact]
    public async Task Full_sessions_refuse_a_new_one_with_advice()
    {
        await using Sessions sessions = Make(atMost: 1);
#pragma warning disable xUnit1051 // The literal is what is tested: it is a token, and no incoming value.
        await using SessionVisit visit = await sessions.EnterAsync("Mira", [Incoming.Value(new Caller("Mira"))], default);
#pragma warning restore xUnit1051

        SessionsFullException full = await Assert.ThrowsAsync<SessionsFullException>(() => VisitAsync(sessions, "Tove"));

        Assert.Equal("No further session can start: all 1 are in use. Try again later, or increase Sessions.MaxCount.", full.Message);
        Assert.Equal(1, sessions.Count);
    }

    [Fact]
    public async Task Dropped_session_is_disposed_after_its_last_visit()
    {
        await using Sessions sessions = Make();
        SessionVisit visit = await sessions.EnterAsync("Mira", [Incoming.Value(new Caller("Mira"))], Token);
        Basket basket = visit.Scope.Resolve<Basket>();

        Assert.True(sessions.Drop("Mira"));
        Assert.False(sessions.Drop("Mira"));
        Assert.NotSame(basket, await VisitAsync(sessions, "Mira"));
        Assert.False(EndOf(basket).IsCompleted);

        await visit.DisposeAsync();
        Assert.True(EndOf(basket).IsCompleted);
    }

    [Fact]
    public async Task Disposal_ends_idle_sessions_at_once_and_visited_ones_after_their_visit()
    {
        Sessions sessions = Make();
        Basket idle = await VisitAsync(sessions, "Tove");
        SessionVisit visit = await sessions.EnterAsync("Mira", [Incoming.Value(new Caller("Mira"))], Token);
        Basket visited = visit.Scope.Resolve<Basket>();

        await sessions.DisposeAsync();
        Assert.Equal((true, false), (EndOf(idle).IsCompleted, EndOf(visited).IsCompleted));
        await Assert.ThrowsAsync<ObjectDisposedException>(() => VisitAsync(sessions, "Tove"));

        await visit.DisposeAsync();
        Assert.True(EndOf(visited).IsCompleted);
    }

    [Fact]
    public async Task What_does_not_end_well_is_reported_with_its_key()
    {
        await using Sessions sessions = Make();
        Basket basket = await VisitAsync(sessions, "Mira");
        basket.IsTorn = true;

        sessions.Drop("Mira");
        await sessions.DisposeAsync();

        Assert.Equal(["Mira: the basket is torn"], _failures);
    }

    [Fact]
    public async Task A_session_that_cannot_start_fails_for_all_who_wait_and_the_next_visit_tries_anew()
    {
        TaskCompletionSource mayStart = new();
        bool fails = true;
        await using Container container = new Wiring
        {
            UserSession.FromAsync(async () =>
            {
                await mayStart.Task;
                return fails ? throw new InvalidOperationException("no basket") : new SystemClock();
            }),
        }.Build();
        await using Sessions sessions = new(container, UserSession, (_, failure) => Task.FromException(failure), _time);

        Task[] visits = [.. Enumerable.Range(0, 3).Select(_ => sessions.EnterAsync("Mira", cancellationToken: Token).AsTask())];
        mayStart.SetResult();
        foreach (Task visit in visits)
        {
            await Assert.ThrowsAsync<ConstructionException>(() => visit);
        }

        Assert.Equal(0, sessions.Count);
        fails = false;
        await using SessionVisit better = await sessions.EnterAsync("Mira", cancellationToken: Token);
        Assert.NotNull(better.Scope.Resolve<SystemClock>());
    }

    [Fact]
    public async Task Many_visits_at_once_start_each_session_once()
    {
        await using Sessions sessions = Make();

        Basket[] baskets =
            await Task.WhenAll(Enumerable.Range(0, 400).Select(number => Task.Run(() => VisitAsync(sessions, $"{number % 7}"), Token)));

        Assert.Equal(7, baskets.Distinct().Count());
    }

    private Sessions Make(int atMost = 100) => new(
        _container,
        UserSession,
        (key, failure) =>
        {
            _failures.Add($"{key}: {((AggregateException)failure).InnerExceptions[0].Message}");
            return Task.CompletedTask;
        },
        _time)
    {
        MaxCount = atMost,
        IdleTimeout = TimeSpan.FromMinutes(10),
    };

    private static async Task<Basket> VisitAsync(Sessions sessions, string key)
    {
        await using SessionVisit visit = await sessions.EnterAsync(key, [Incoming.Value(new Caller(key))], Token);
        return visit.Scope.Resolve<Basket>();
    }

    private Task EndOf(Basket basket) => SourceOf(basket).Task.WaitAsync(Token);

    private void HasEnded(Basket basket) => SourceOf(basket).SetResult();

    private TaskCompletionSource SourceOf(Basket basket)
    {
        lock (_ended)
        {
            if (!_ended.TryGetValue(basket, out TaskCompletionSource? source))
            {
                _ended.Add(basket, source = new TaskCompletionSource());
            }

            return source;
        }
    }

    public sealed class Basket(Caller caller, Action<Basket> hasEnded) : IDisposable
    {
        public Caller Caller { get; } = caller;

        public bool IsTorn { get; set; }

        public void Dispose()
        {
            hasEnded(this);
            if (IsTorn)
            {
                throw new InvalidOperationException("the basket is torn");
            }
        }
    }
}
