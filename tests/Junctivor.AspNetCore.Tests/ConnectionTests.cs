using System.Net.WebSockets;
using System.Text;
using Microsoft.AspNetCore.Mvc;

namespace Junctivor.AspNetCore.Tests;

/// <summary>Where a request is a connection, its scope lasts as long; each message can have its own within.</summary>
public class ConnectionTests
{
    private static readonly Wiring Messages = [Scoped.Incoming<string>(), Transient.Of<Reply>()];

    private static CancellationToken Token => TestContext.Current.CancellationToken;

    [Fact]
    public async Task A_web_socket_has_a_scope_and_each_message_one_within()
    {
        await using Office office = await Office.OpenAsync(app =>
        {
            app.UseWebSockets();
            app.Map("/talk", TalkAsync);
        }, Messages);
        using ClientWebSocket socket = new();
        socket.Options.SetRequestHeader("Caller", "Tove");

        await socket.ConnectAsync(new UriBuilder(office.Address) { Scheme = "ws", Path = "/talk" }.Uri, Token);
        string[] first = await AskAsync(socket, "ahoy");
        string[] second = await AskAsync(socket, "farewell");

        Assert.Equal(("ahoy Tove", "farewell Tove"), (first[0], second[0]));
        Assert.Equal(first[1], second[1]);
        Assert.NotEqual(first[2], second[2]);
        await office.Ends.EndOf(int.Parse(first[2], null));
        Assert.False(office.Ends.EndOf(int.Parse(first[1], null)).IsCompleted);
        await socket.CloseAsync(WebSocketCloseStatus.NormalClosure, null, Token);
        await office.Ends.EndOf(int.Parse(first[1], null));
    }

    [Fact]
    public async Task Server_sent_events_have_one_scope_until_the_connection_ends()
    {
        TaskCompletionSource goOn = new();
        await using Office office =
            await Office.OpenAsync(
                app => app.MapGet("/tides", ([FromServices] Ledger ledger, [FromServices] EndLog ends, CancellationToken aborted) =>
            TypedResults.ServerSentEvents(TidesAsync(ledger, ends, goOn.Task, aborted))));
        using HttpResponseMessage answer =
            await office.Client.GetAsync(new Uri("/tides", UriKind.Relative), HttpCompletionOption.ResponseHeadersRead, Token);
        using StreamReader events = new(await answer.Content.ReadAsStreamAsync(Token));

        string? first = await events.ReadLineAsync(Token);
        goOn.SetResult();
        await events.ReadLineAsync(Token);
        string? second = await events.ReadLineAsync(Token);

        Assert.Equal(first, second);
        Assert.Matches("^data: [0-9]+ False$", first);
        answer.Dispose();
        await office.Ends.EndOf(int.Parse(first!.Split(' ')[1], null));
    }

    private static async Task TalkAsync(HttpContext context, [FromServices] Ledger ledger)
    {
        using WebSocket socket = await context.WebSockets.AcceptWebSocketAsync();
        byte[] buffer = new byte[100];
        while (await socket.ReceiveAsync(buffer.AsMemory(), context.RequestAborted) is { MessageType: WebSocketMessageType.Text } received)
        {
            string message = Encoding.UTF8.GetString(buffer, 0, received.Count);
            await using Scope scope = await context.GetScope().StartScopeAsync([Incoming.Value(message)], context.RequestAborted);
            string answer = $"{scope.Resolve<Reply>().Text},{ledger.Number},{scope.Resolve<Ledger>().Number}";
            await socket.SendAsync(Encoding.UTF8.GetBytes(answer), WebSocketMessageType.Text, endOfMessage: true, context.RequestAborted);
        }

        await socket.CloseOutputAsync(WebSocketCloseStatus.NormalClosure, null, context.RequestAborted);
    }

    private static async Task<string[]> AskAsync(ClientWebSocket socket, string message)
    {
        await socket.SendAsync(Encoding.UTF8.GetBytes(message), WebSocketMessageType.Text, endOfMessage: true, Token);
        byte[] buffer = new byte[100];
        WebSocketReceiveResult received = await socket.ReceiveAsync(new ArraySegment<byte>(buffer), Token);
        return Encoding.UTF8.GetString(buffer, 0, received.Count).Split(',');
    }

    private static async IAsyncEnumerable<string> TidesAsync(
        Ledger ledger, EndLog ends, Task goOn, [System.Runtime.CompilerServices.EnumeratorCancellation] CancellationToken aborted)
    {
        yield return $"{ledger.Number} {ends.EndOf(ledger.Number).IsCompleted}";
        await goOn.WaitAsync(aborted);
        yield return $"{ledger.Number} {ends.EndOf(ledger.Number).IsCompleted}";
        await Task.Delay(Timeout.Infinite, aborted);
    }

    public sealed class Reply(string message, Caller caller)
    {
        public string Text => $"{message} {caller.Name}";
    }
}
