namespace Junctivor.Cli.Demo.Office;

/// <summary>Now and then there is no pilot on the radio.</summary>
internal sealed class PilotOrder
{
    private const int EveryTime = 7;

    private static int Orders;

    public PilotOrder(IClock clock)
    {
        ArgumentNullException.ThrowIfNull(clock);
        if (Interlocked.Increment(ref Orders) % EveryTime == 0)
        {
            throw new TimeoutException("No pilot answers.");
        }
    }
}
