using System.Runtime.CompilerServices;
using System.Threading.Channels;
using Microsoft.AspNetCore.Http.Connections;
using Microsoft.AspNetCore.SignalR;
using Microsoft.AspNetCore.SignalR.Client;

namespace Junctivor.AspNetCore.Tests;

/// <summary>Calls of a hub have scopes of their own, by a filter of the framework and real clients.</summary>
public class HubTests
{
    private static readonly WiredHubFilter Calling =
        new() { IncomingFor = context => [Incoming.Value(new Caller(context.ConnectionId.Length > 0 ? "Tove" : ""))] };

    private static CancellationToken Token => TestContext.Current.CancellationToken;

    [Theory]
    [InlineData(HttpTransportType.WebSockets)]
    [InlineData(HttpTransportType.ServerSentEvents)]
    [InlineData(HttpTransportType.LongPolling)]
    public async Task Each_call_has_a_scope_of_its_own_that_ends_with_it(HttpTransportType transport)
    {
        await using Office office = await OpenAsync();
        await using HubConnection connection = await ConnectAsync(office, transport);

        string first = await connection.InvokeAsync<string>("Answer", Token);
        string second = await connection.InvokeAsync<string>("Answer", Token);

        Assert.Matches("^Tove at ledger [0-9]+$", first);
        Assert.NotEqual(first, second);
        await office.Ends.EndOf(NumberIn(first));
        await office.Ends.EndOf(NumberIn(second));
    }

    [Theory]
    [InlineData("Count")]
    [InlineData("Channel")]
    public async Task A_stream_keeps_its_scope_to_the_end(string method)
    {
        await using Office office = await OpenAsync();
        await using HubConnection connection = await ConnectAsync(office, HttpTransportType.WebSockets);

        List<string> items = [];
        await foreach (string item in connection.StreamAsync<string>(method, Token))
        {
            items.Add(item);
        }

        Assert.Equal(3, items.Count);
        Assert.All(items, item => Assert.EndsWith("open", item, StringComparison.Ordinal));
        await office.Ends.EndOf(NumberIn(items[0]));
    }

    [Fact]
    public async Task A_call_that_throws_ends_its_scope()
    {
        await using Office office = await OpenAsync();
        await using HubConnection connection = await ConnectAsync(office, HttpTransportType.WebSockets);

        HubException thrown = await Assert.ThrowsAsync<HubException>(() => connection.InvokeAsync("Throw", Token));

        await office.Ends.EndOf(NumberIn(thrown.Message));
    }

    [Fact]
    public async Task The_scope_of_a_connection_is_there_by_web_sockets_and_by_long_polling_the_message_says_why_not()
    {
        await using Office office = await OpenAsync();
        await using HubConnection sockets = await ConnectAsync(office, HttpTransportType.WebSockets);
        await using HubConnection polling = await ConnectAsync(office, HttpTransportType.LongPolling);

        Assert.Equal("Mira", await sockets.InvokeAsync<string>("CallerOfConnection", Token));
        Assert.StartsWith(
            "This is a connection of a hub. By long polling it outlives its requests",
            await polling.InvokeAsync<string>("CallerOfConnection", Token), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Constructors_of_hubs_and_hubs_outside_of_a_wired_group_are_named_at_the_start()
    {
        EndpointException refused = await Assert.ThrowsAsync<EndpointException>(() => Office.OpenAsync(
            app => app.MapHub<DeskHub>("/lost"), host: builder => builder.Services.AddSignalR(),
            wired: routes =>
            {
                routes.MapHub<ConstructedHub>("/constructed");
                routes.MapHub<MissingHub>("/missing");
            }));

        Assert.Equal(
            [
                ("JV101", "MissingHub requires Uri, which is not registered"),
                ("JV110", "ConstructedHub takes Desk desk by its constructor, but the host creates hubs, and has none"),
                ("JV110", "DeskHub is mapped outside of app.MapWired(container), so nothing sets its property Desk"),
            ],
            refused.Report.Errors.Select(fault => (fault.Code, fault.Summary)).Order());
    }

    private static int NumberIn(string text) => int.Parse(text.Split("ledger ")[1].Split(' ', '.')[0], null);

    private static Task<Office> OpenAsync() => Office.OpenAsync(
        null, host: builder => builder.Services.AddSignalR(options =>
        {
            options.AddFilter(Calling);
            options.EnableDetailedErrors = true;
        }),
        wired: routes => routes.MapHub<DeskHub>("/desks"));

    private static async Task<HubConnection> ConnectAsync(Office office, HttpTransportType transport)
    {
        HubConnection connection = new HubConnectionBuilder().WithUrl(new Uri(office.Address, "/desks"), options =>
        {
            options.Transports = transport;
            options.Headers["Caller"] = "Mira";
        }).Build();
        await connection.StartAsync(Token);
        return connection;
    }

    private sealed class DeskHub : Hub
    {
        [Inject]
        public Desk Desk { get; set; } = null!;

        [Inject]
        public EndLog Ends { get; set; } = null!;

        public string Answer() => Desk.Answer;

        public void Throw() => throw new HubException(Desk.Answer);

        public string CallerOfConnection()
        {
            try
            {
                return Context.GetHttpContext()!.GetScope().Resolve<Caller>().Name;
            }
            catch (InvalidOperationException failure)
            {
                return failure.Message;
            }
        }

        public async IAsyncEnumerable<string> Count([EnumeratorCancellation] CancellationToken cancellationToken)
        {
            for (int number = 0; number < 3; number++)
            {
                await Task.Yield();
                cancellationToken.ThrowIfCancellationRequested();
                yield return State;
            }
        }

        public ChannelReader<string> Channel()
        {
            Channel<string> channel = System.Threading.Channels.Channel.CreateUnbounded<string>();
            _ = WriteAsync(channel.Writer);
            return channel.Reader;
        }

        private async Task WriteAsync(ChannelWriter<string> writer)
        {
            for (int number = 0; number < 3; number++)
            {
                await Task.Yield();
                await writer.WriteAsync(State);
            }

            writer.Complete();
        }

        private string State => $"{Desk.Answer} {(Ends.EndOf(Desk.Ledger.Number).IsCompleted ? "ended" : "open")}";
    }

    private sealed class ConstructedHub(Desk desk) : Hub
    {
        public string Answer() => desk.Answer;
    }

    private sealed class MissingHub : Hub
    {
        [Inject]
        public Uri Tides { get; set; } = null!;
    }
}
