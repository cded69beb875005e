namespace HowTo;

/// <summary>Messages have no request, so each gets a scope of its own; the handler is found by the type of the message.</summary>
internal static class MessageScope
{
    public static async Task RunAsync()
    {
        Wiring wiring =
        [
            Singleton.Of<ArrivalPump>(),
            Scoped.Of<BerthLedger>(),
            Scoped.Of<IHandler<Arrived>, BerthGiver>(),
            Scoped.Of<IHandler<Left>, BerthFreer>(),
        ];
        await using Container container = wiring.Build();

        await container.Resolve<ArrivalPump>().PumpAsync([new Arrived("Heron"), new Left("Tern"), new Arrived("Gull")]);
    }

    private sealed class ArrivalPump(Container container)
    {
        public async Task PumpAsync(IEnumerable<object> messages)
        {
            foreach (object message in messages)
            {
                await using Scope scope = container.StartScope();
                IHandler handler = (IHandler)scope.Resolve(typeof(IHandler<>).MakeGenericType(message.GetType()));
                handler.Handle(message);
            }
        }
    }

    private interface IHandler
    {
        void Handle(object message);
    }

    private interface IHandler<T> : IHandler;

    private sealed class BerthGiver(BerthLedger ledger) : IHandler<Arrived>
    {
        public void Handle(object message) => WriteLine($"{message}: a berth is entered in ledger {ledger.Number}");
    }

    private sealed class BerthFreer(BerthLedger ledger) : IHandler<Left>
    {
        public void Handle(object message) => WriteLine($"{message}: its berth is freed in ledger {ledger.Number}");
    }

    private sealed class BerthLedger
    {
        private static int Opened;

        public int Number { get; } = ++Opened;
    }

    private sealed record Arrived(string Vessel);

    private sealed record Left(string Vessel);
}
