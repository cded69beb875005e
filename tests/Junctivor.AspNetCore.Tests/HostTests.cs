using System.Net;
using System.Net.Sockets;
using Junctivor.Tests.Shared;
using Microsoft.AspNetCore.Mvc;

namespace Junctivor.AspNetCore.Tests;

/// <summary>The start waits for the warm-up, and the wind-down for the last request.</summary>
public class HostTests
{
    private readonly List<string> _log = [];

    private static CancellationToken Token => TestContext.Current.CancellationToken;

    [Fact]
    public async Task Host_warms_up_before_listening_and_winds_down_after_the_last_response()
    {
        await using WebApplication app = Office.Make();
        await using Container container =
            Logged(() => app.Lifetime.ApplicationStarted.IsCancellationRequested,
                () => app.Lifetime.ApplicationStopped.IsCancellationRequested);

        Task running = app.RunWiredAsync(container);
        await StartOf(app);
        app.Lifetime.StopApplication();
        await running.WaitAsync(Token);

        Assert.Equal(["warm-up, listening: False", "wind-down, stopped: True"], _log);
    }

    [Fact]
    public async Task Warnings_of_the_wiring_are_in_the_log_of_the_host()
    {
        using ListLog log = new();
        await using WebApplication app = Office.Make(builder => builder.Logging.AddFilter("Junctivor", LogLevel.Warning));
        await using Container container = new Wiring { Singleton.Of<EndLog>().Accept("JV303", reason: "There was a stamp.") }.Build();

        await app.StartWarmAsync(container, Token);
        await app.StopAndWindDownAsync(container, TimeSpan.FromSeconds(30));

        Assert.Contains(
            "Junctivor: JV504 accepts-nothing: EndLog accepts JV303 frozen-transient, but does not have it. The full report is in "
                + "Container.Report. Help: junctivor fault JV504.",
            log.Lines);
    }

    [Fact]
    public async Task A_warm_up_that_fails_keeps_it_from_listening()
    {
        await using WebApplication app = Office.Make();
        await using Container container =
            new Wiring { Singleton.Of<EndLog>().WarmUp((_, _) => throw new InvalidOperationException("no wind")) }.Build();

        await Assert.ThrowsAsync<WarmUpException>(() => app.RunWiredAsync(container));

        Assert.False(app.Lifetime.ApplicationStarted.IsCancellationRequested);
    }

    [Fact]
    public async Task Host_stopped_during_the_warm_up_winds_down_and_does_not_listen()
    {
        using CancellationTokenSource stop = new();
        await using WebApplication app = Office.Make();
        await using Container container = new Wiring
        {
            Log(Singleton.Of<EndLog>(), () => false, () => false),
            Singleton.Of<Later>().WarmUp(async (_, cancellationToken) =>
            {
                await stop.CancelAsync();
                await Task.Delay(Timeout.Infinite, cancellationToken);
            }),
        }.Build();

        await app.RunWiredAsync(container, WiredHost.DefaultShutdownTimeout, stop.Token);

        Assert.Equal(["warm-up, listening: False", "wind-down, stopped: False"], _log);
        Assert.False(app.Lifetime.ApplicationStarted.IsCancellationRequested);
    }

    [Fact]
    public async Task An_address_that_is_taken_winds_down_what_was_warm()
    {
        using TcpListener taken = new(IPAddress.Loopback, 0);
        taken.Start();
        await using WebApplication app = Office.Make();
        app.Urls.Clear();
        app.Urls.Add($"http://127.0.0.1:{((IPEndPoint)taken.LocalEndpoint).Port}");
        await using Container container = Logged(() => false, () => false);

        await Assert.ThrowsAsync<IOException>(() => app.StartWarmAsync(container, Token));

        Assert.Equal(["warm-up, listening: False", "wind-down, stopped: False"], _log);
    }

    [Fact]
    public async Task A_start_that_fails_and_a_wind_down_that_fails_are_both_reported()
    {
        using TcpListener taken = new(IPAddress.Loopback, 0);
        taken.Start();
        await using WebApplication app = Office.Make();
        app.Urls.Clear();
        app.Urls.Add($"http://127.0.0.1:{((IPEndPoint)taken.LocalEndpoint).Port}");
        await using Container container =
            new Wiring { Singleton.Of<Slow>().WindDown((_, _) => throw new InvalidOperationException("stuck")) }.Build();

        AggregateException thrown = await Assert.ThrowsAsync<AggregateException>(() => app.StartWarmAsync(container, Token));

        Assert.IsType<IOException>(thrown.InnerExceptions[0]);
        Assert.Equal("stuck", thrown.InnerExceptions[1].Message);
    }

    [Fact]
    public async Task Requests_in_flight_are_answered_before_anything_winds_down()
    {
        const int Requests = 20;
        using CountdownEvent arrived = new(Requests);
        TaskCompletionSource goOn = new();
        bool isDown = false;
        await using Office office = await Office.OpenAsync(
            app => app.MapGet("/berth", async ([FromServices] Desk desk) =>
            {
                arrived.Signal();
                await goOn.Task;
                return isDown ? "too late" : desk.Answer;
            }),
            [Singleton.Of<Slow>().WindDown((_, _) =>
            {
                isDown = true;
                return Task.CompletedTask;
            })]);

        Task<string>[] asked = [.. Enumerable.Range(0, Requests).Select(_ => office.GetAsync("/berth"))];
        await Task.Run(() => arrived.Wait(Token), Token);
        Task ending = office.Host.StopAndWindDownAsync(office.Container, WiredHost.DefaultShutdownTimeout);
        await office.Host.WaitForStopAsync(Token);
        Assert.False(isDown);
        goOn.SetResult();

        Assert.All(await Task.WhenAll(asked), answer => Assert.StartsWith("Mira at ledger", answer, StringComparison.Ordinal));
        await ending.WaitAsync(Token);
        Assert.True(isDown);
    }

    [Fact]
    public async Task What_does_not_end_within_the_limit_is_named()
    {
        const int Requests = 13;
        using CountdownEvent begun = new(Requests);
        TaskCompletionSource never = new();
        await using Office office = await Office.OpenAsync(
            app => app.MapGet("/becalmed/{number:int}", async (int number) =>
            {
                begun.Signal();
                await never.Task;
            }),
            [Singleton.Of<Slow>().WindDown((_, _) => never.Task)]);

        Task<string>[] asked = [.. Enumerable.Range(0, Requests).Select(number => office.GetAsync($"/becalmed/{Math.Max(number - 1, 0)}"))];
        await Task.Run(() => begun.Wait(Token), Token);
        ShutdownTimeoutException thrown = await Assert.ThrowsAsync<ShutdownTimeoutException>(
            () => office.Host.StopAndWindDownAsync(office.Container, TimeSpan.FromMilliseconds(20)));

        Assert.Equal(Requests, thrown.Requests.Count);
        Assert.All(thrown.Requests, request => Assert.StartsWith("GET /becalmed/", request, StringComparison.Ordinal));
        Assert.Equal(["HostTests.Slow"], thrown.Services);
        Assert.StartsWith(
            "Still open when the server stopped, with a limit of 0.02 s: GET /becalmed/0 (2 times), GET /becalmed/1, GET", thrown.Message,
            StringComparison.Ordinal);
        Assert.Contains("GET /becalmed/7 and 2 more. Make their handlers return when", thrown.Message, StringComparison.Ordinal);
        Assert.Contains("HostTests.Slow did not wind down within 0.02 s.", thrown.Message, StringComparison.Ordinal);
        never.SetResult();
        await Assert.ThrowsAnyAsync<HttpRequestException>(() => Task.WhenAll(asked));
    }

    private static async Task StartOf(WebApplication app)
    {
        TaskCompletionSource started = new();
        using CancellationTokenRegistration registration = app.Lifetime.ApplicationStarted.Register(started.SetResult);
        await started.Task.WaitAsync(Token);
    }

    private Container Logged(Func<bool> isListening, Func<bool> hasStopped) =>
        new Wiring { Log(Singleton.Of<EndLog>(), isListening, hasStopped) }.Build();

    private Registration<EndLog> Log(Registration<EndLog> registration, Func<bool> isListening, Func<bool> hasStopped) => registration
        .WarmUp((_, _) => NoteAsync($"warm-up, listening: {isListening()}"))
        .WindDown((_, _) => NoteAsync($"wind-down, stopped: {hasStopped()}"));

    private Task NoteAsync(string line)
    {
        _log.Add(line);
        return Task.CompletedTask;
    }

    public sealed class Slow;

    public sealed record Later(EndLog Log);
}
