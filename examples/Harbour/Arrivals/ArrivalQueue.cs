using System.Threading.Channels;

namespace Harbour.Arrivals;

/// <summary>The arrivals that nobody has noted yet.</summary>
public sealed class ArrivalQueue
{
    private const int Most = 1_000;

    private readonly Channel<Arrived> _arrivals = Channel.CreateBounded<Arrived>(Most);

    public ChannelReader<Arrived> Reader => _arrivals.Reader;

    public int Waiting => _arrivals.Reader.Count;

    /// <summary>Puts one in; false if the queue is full.</summary>
    public bool TryPut(Arrived arrival) => _arrivals.Writer.TryWrite(arrival);
}
