using Harbour.Office;
using Junctivor;
using Serilog;

namespace Harbour.Arrivals;

/// <summary>The module of the arrivals: a queue, what pumps it, and what receives each message.</summary>
public static class ArrivalWiring
{
    private static readonly Caller Lookout = new("the lookout");

    public static Wiring Wiring =>
    [
        Singleton.Of<ArrivalQueue>(),
        Singleton.From(
            (Container office, ArrivalQueue queue, ILogger log) => new MessagePump<Arrived>(office, queue.Reader, (arrival, failure) =>
            {
                log.Error(failure, "The arrival of {Vessel} is not noted", arrival.Vessel);
                return Task.CompletedTask;
            })
            {
                IncomingFor = _ => [Incoming.Value(Lookout)],
            })
            .Background((pump, stop) => pump.RunAsync(stop))
            .WindDown((pump, cancellationToken) => pump.StopAsync(cancellationToken))
            .Accept("JV502", reason: "It resolves only the handlers of messages, by the type of the message."),
        Scoped.Of<IMessageHandler<Arrived>, ArrivalClerk>(),
        Singleton.Of<IContributesEndpoints, ArrivalEndpoints>(),
    ];
}
