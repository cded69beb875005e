using System.Collections.Concurrent;
using System.Threading.Channels;

namespace Junctivor.Tests.Workers;

public class MessagePumpTests
{
    private readonly Channel<IMessage> _channel = Channel.CreateUnbounded<IMessage>();
    private readonly ConcurrentQueue<string> _log = new();
    private readonly ConcurrentQueue<(IMessage Message, Exception Failure)> _failures = new();

    private static CancellationToken Token => TestContext.Current.CancellationToken;

    private Wiring Office =>
    [
        Singleton.Value(_log),
        Scoped.Incoming<Arrived>(),
        Scoped.Of<Page>(),
        Scoped.Of<BerthGiver>().Also<IMessageHandler<Arrived>>(),
        Scoped.Of<Gatekeeper>().Also<IMessageHandler<Left>>().Also<IMessageHandler<Moved>>(),
    ];

    [Fact]
    public async Task Each_message_goes_to_the_handler_of_its_type_in_its_own_scope()
    {
        await using Container container = Office.Build();

        await PumpAsync(container, new Arrived("Heron"), new Left("Tern"), new Arrived("Gull"), new Moved("Wren"));

        Assert.Equal(
            ["page opened", "Heron arrived", "page closed", "Tern left", "page opened", "Gull arrived", "page closed", "Wren moved"], _log);
        Assert.Empty(_failures);
    }

    [Fact]
    public async Task Message_is_supplied_where_the_wiring_declares_its_type_or_that_of_the_pump()
    {
        await using Container container = new Wiring
        {
            Singleton.Value(_log),
            Scoped.Incoming<IMessage>(),
            Scoped.From((IMessage message) => new Page([]) { Message = message }),
            Scoped.From(IMessageHandler<Left> (Page page) => new Reader<Left>(page, _log)),
        }.Build();

        await PumpAsync(container, new Left("Tern"));

        Assert.Equal(["Left { Vessel = Tern }"], _log);
    }

    [Fact]
    public async Task Further_values_are_supplied_with_the_message_and_their_failures_are_reported()
    {
        await using Container container = new Wiring
        {
            Singleton.Value(_log),
            Scoped.Incoming<Caller>(),
            Scoped.From(IMessageHandler<Left> (Caller caller) => new Doing<Left>(() =>
            {
                _log.Enqueue(caller.Name);
                return Task.CompletedTask;
            })),
        }.Build();
        MessagePump<IMessage> pump = new(container, _channel.Reader, Fail)
        {
            IncomingFor =
                message => ((Left)message).Vessel == "?"
                    ? throw new FormatException()
                    : [Incoming.Value(new Caller("the quay of " + ((Left)message).Vessel))],
        };
        await _channel.Writer.WriteAsync(new Left("?"), Token);
        await _channel.Writer.WriteAsync(new Left("Tern"), Token);
        _channel.Writer.Complete();

        await pump.RunAsync(Token);

        Assert.Equal(["the quay of Tern"], _log);
        Assert.IsType<FormatException>(Assert.Single(_failures).Failure);
    }

    [Fact]
    public async Task Handler_that_throws_is_reported_with_its_message_and_the_pump_goes_on()
    {
        await using Container container = Office.Build();

        await PumpAsync(container, new Arrived("throw"), new Unknown("?"), new Left("Tern"));

        Assert.Equal([new Arrived("throw"), new Unknown("?")], _failures.Select(failed => failed.Message));
        Assert.IsType<FormatException>(_failures.First().Failure);
        Assert.Equal("JV101", Assert.IsType<ResolveException>(_failures.Last().Failure).Fault.Code);
        Assert.Equal(["page opened", "page closed", "Tern left"], _log);
    }

    [Fact]
    public async Task Pump_handles_at_most_MaxConcurrency_messages_at_once()
    {
        int open = 0;
        int most = 0;
        using SemaphoreSlim arrived = new(0);
        TaskCompletionSource go = new();
        await using Container container = new Wiring
        {
            Scoped.From(IMessageHandler<Left> () => new Doing<Left>(async () =>
            {
                int now = Interlocked.Increment(ref open);
                InterlockedMax(ref most, now);
                arrived.Release();
                await go.Task;
                Interlocked.Decrement(ref open);
            })),
        }.Build();

        Task pumping = PumpAsync(container, atOnce: 3, [.. Enumerable.Range(0, 10).Select(number => new Left($"{number}"))]);
        for (int waited = 0; waited < 3; waited++)
        {
            await arrived.WaitAsync(Token);
        }

        go.SetResult();
        await pumping;

        Assert.Equal((3, 0), (most, open));
    }

    [Fact]
    public async Task Pump_drains_its_channel_on_stop()
    {
        await using Container container = Office.Build();
        using CancellationTokenSource stop = new();
        MessagePump<IMessage> pump = new(container, _channel.Reader, Fail);
        await _channel.Writer.WriteAsync(new Left("Tern"), Token);
        await _channel.Writer.WriteAsync(new Left("Gull"), Token);
        await stop.CancelAsync();

        await pump.RunAsync(stop.Token);

        Assert.Equal(["Tern left", "Gull left"], _log);
    }

    [Fact]
    public async Task Pump_cancels_handlers_and_leaves_the_rest_on_abort()
    {
        using CancellationTokenSource abort = new();
        TaskCompletionSource begun = new();
        await using Container container = new Wiring
        {
            Scoped.From(IMessageHandler<Left> () => new Waiting(begun)),
        }.Build();
        MessagePump<IMessage> pump = new(container, _channel.Reader, Fail);
        await _channel.Writer.WriteAsync(new Left("Tern"), Token);
        await _channel.Writer.WriteAsync(new Left("Gull"), Token);

        Task pumping = pump.RunAsync(Token);
        await begun.Task;
        Task stopping = pump.StopAsync(abort.Token);
        await abort.CancelAsync();
        await stopping;
        await pumping;

        Assert.Empty(_failures);
        Assert.True(_channel.Reader.TryRead(out IMessage? left));
        Assert.Equal(new Left("Gull"), left);
    }

    [Fact]
    public async Task Exception_of_the_failure_callback_stops_the_pump()
    {
        await using Container container = Office.Build();
        MessagePump<IMessage> pump = new(
            container, _channel.Reader, (_, failure) => throw new InvalidOperationException("no log", failure))
        { MaxConcurrency = 2 };
        await _channel.Writer.WriteAsync(new Arrived("throw"), Token);

        InvalidOperationException thrown = await Assert.ThrowsAsync<InvalidOperationException>(() => pump.RunAsync(Token));

        Assert.IsType<FormatException>(thrown.InnerException);
    }

    [Fact]
    public async Task Pump_starts_with_the_warm_up_and_drains_in_the_wind_down()
    {
        Wiring wiring =
        [
            Singleton.From((Container own) => new MessagePump<IMessage>(own, _channel.Reader, Fail))
                .WarmUp((pump, cancellationToken) => pump.StartAsync(cancellationToken))
                .WindDown((pump, cancellationToken) => pump.StopAsync(cancellationToken)),
            .. Office,
        ];
        await using (Container container = wiring.Build())
        {
            await container.WarmUpAsync(Token);
            await Assert.ThrowsAsync<InvalidOperationException>(() => container.Resolve<MessagePump<IMessage>>().StartAsync(Token));
            await _channel.Writer.WriteAsync(new Left("Tern"), Token);
            await _channel.Writer.WriteAsync(new Moved("Wren"), Token);
        }

        Assert.Equal(["Tern left", "Wren moved"], _log);
        Assert.Empty(_failures);
    }

    [Fact]
    public async Task Host_aborted_cancels_its_requests()
    {
        TaskCompletionSource begun = new();
        await using Container container = new Wiring { Singleton.From(IMessageHandler<Left> () => new Waiting(begun)) }.Build();
        MessagePump<IMessage> pump = new(container, _channel.Reader, Fail);
        await _channel.Writer.WriteAsync(new Left("Tern"), Token);

        await pump.StartAsync(Token);
        await begun.Task.WaitAsync(Token);
        await pump.StopAsync(new CancellationToken(canceled: true));
        await pump.StopAsync(Token);

        Assert.Empty(_failures);
    }

    [Fact]
    public async Task Pump_runs_once_and_refuses_a_concurrency_below_one()
    {
        await using Container container = Office.Build();
        _channel.Writer.Complete();
        MessagePump<IMessage> pump = new(container, _channel.Reader, Fail);
        await pump.RunAsync(Token);

        await Assert.ThrowsAsync<InvalidOperationException>(() => pump.RunAsync(Token));
        Assert.Throws<ArgumentOutOfRangeException>(
            () => new MessagePump<IMessage>(container, _channel.Reader, Fail) { MaxConcurrency = 0 });
    }

    private static void InterlockedMax(ref int most, int now)
    {
        for (int known = Volatile.Read(ref most); now > known; known = Volatile.Read(ref most))
        {
            Interlocked.CompareExchange(ref most, now, known);
        }
    }

    private Task PumpAsync(Container container, params IMessage[] messages) => PumpAsync(container, 1, messages);

    private async Task PumpAsync(Container container, int atOnce, IMessage[] messages)
    {
        foreach (IMessage message in messages)
        {
            await _channel.Writer.WriteAsync(message, Token);
        }

        _channel.Writer.Complete();
        await new MessagePump<IMessage>(container, _channel.Reader, Fail) { MaxConcurrency = atOnce }.RunAsync(Token);
    }

    private Task Fail(IMessage message, Exception failure)
    {
        _failures.Enqueue((message, failure));
        return Task.CompletedTask;
    }

    public interface IMessage;

    public sealed record Arrived(string Vessel) : IMessage;

    public sealed record Left(string Vessel) : IMessage;

    public sealed record Moved(string Vessel) : IMessage;

    public sealed record Unknown(string Vessel) : IMessage;

    public sealed class Page : IAsyncDisposable
    {
        private readonly ConcurrentQueue<string> _log;

        public Page(ConcurrentQueue<string> log)
        {
            _log = log;
            _log.Enqueue("page opened");
        }

        public IMessage? Message { get; init; }

        public ValueTask DisposeAsync()
        {
            _log.Enqueue("page closed");
            return ValueTask.CompletedTask;
        }
    }

    private sealed class BerthGiver(Page page, Arrived incoming, ConcurrentQueue<string> log) : IMessageHandler<Arrived>
    {
        public Task HandleAsync(Arrived message, CancellationToken cancellationToken)
        {
            Assert.Same(incoming, message);
            Assert.NotNull(page);
            if (message.Vessel == "throw")
            {
                throw new FormatException();
            }

            log.Enqueue($"{message.Vessel} arrived");
            return Task.CompletedTask;
        }
    }

    private sealed class Gatekeeper(ConcurrentQueue<string> log) : IMessageHandler<Left>, IMessageHandler<Moved>
    {
        public Task HandleAsync(Left message, CancellationToken cancellationToken)
        {
            log.Enqueue($"{message.Vessel} left");
            return Task.CompletedTask;
        }

        public Task HandleAsync(Moved message, CancellationToken cancellationToken)
        {
            log.Enqueue($"{message.Vessel} moved");
            return Task.CompletedTask;
        }
    }

    private sealed class Reader<T>(Page page, ConcurrentQueue<string> log) : IMessageHandler<T>
        where T : class
    {
        public Task HandleAsync(T message, CancellationToken cancellationToken)
        {
            log.Enqueue($"{page.Message}");
            return Task.CompletedTask;
        }
    }

    private sealed class Doing<T>(Func<Task> work) : IMessageHandler<T>
        where T : class
    {
        public Task HandleAsync(T message, CancellationToken cancellationToken) => work();
    }

    private sealed class Waiting(TaskCompletionSource begun) : IMessageHandler<Left>
    {
        public Task HandleAsync(Left message, CancellationToken cancellationToken)
        {
            begun.SetResult();
            return Task.Delay(Timeout.Infinite, cancellationToken);
        }
    }
}
