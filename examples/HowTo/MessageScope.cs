using System.Threading.Channels;

namespace HowTo;

/// <summary>Messages have no request, so each gets a scope of its own; what receives it is found by the type of the message.</summary>
internal static class MessageScope
{
    public static async Task RunAsync()
    {
        Wiring wiring =
        [
            Scoped.Incoming<Arrived>(),                 // the pump hands each message over
            Scoped.Of<BerthLedger>(),
            Scoped.Of<IMessageHandler<Arrived>, BerthGiver>(),
            Scoped.Of<IMessageHandler<Left>, BerthFreer>(),
        ];
        await using Container container = wiring.Build();
        Channel<IMessage> messages = Channel.CreateUnbounded<IMessage>();
        foreach (IMessage message in new IMessage[] { new Arrived("Heron"), new Left("Tern"), new Lost("Wren"), new Arrived("Gull") })
        {
            await messages.Writer.WriteAsync(message);
        }

        messages.Writer.Complete();
        MessagePump<IMessage> pump = new(container, messages.Reader, TellAsync);
        await pump.RunAsync();
    }

    private static Task TellAsync(IMessage message, Exception failure) =>
        Out.WriteLineAsync($"{message}: {failure.Message.Split('\n')[0]}");

    private interface IMessage;

    private sealed record Arrived(string Vessel) : IMessage;

    private sealed record Left(string Vessel) : IMessage;

    private sealed record Lost(string Vessel) : IMessage;

    private sealed class BerthLedger
    {
        private static int Opened;

        public int Number { get; } = ++Opened;
    }

    private sealed class BerthGiver(BerthLedger ledger) : IMessageHandler<Arrived>
    {
        public Task HandleAsync(Arrived message, CancellationToken cancellationToken) =>
            Out.WriteLineAsync($"{message}: a berth is entered in ledger {ledger.Number}");
    }

    private sealed class BerthFreer(BerthLedger ledger) : IMessageHandler<Left>
    {
        public Task HandleAsync(Left message, CancellationToken cancellationToken) =>
            Out.WriteLineAsync($"{message}: its berth is freed in ledger {ledger.Number}");
    }
}
