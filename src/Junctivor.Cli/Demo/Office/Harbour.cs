namespace Junctivor.Cli.Demo.Office;

internal sealed record HarbourSettings(string Name);

internal interface IClock;

internal sealed class HarbourClock : IClock;

internal interface ITideTable;

/// <summary>Reading the almanac takes its time, once.</summary>
internal sealed class AlmanacTideTable : ITideTable
{
    public AlmanacTideTable(HarbourSettings settings)
    {
        ArgumentNullException.ThrowIfNull(settings);
        Thread.Sleep(TimeSpan.FromMilliseconds(140));
    }
}

internal sealed class TariffBook(HarbourSettings settings)
{
    public HarbourSettings Settings => settings;
}

internal sealed record FeeCalculator(TariffBook Tariffs);

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
