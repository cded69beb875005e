namespace Junctivor.Cli.Demo.Office;

/// <summary>Reading the almanac takes its time, once.</summary>
internal sealed class AlmanacTideTable : ITideTable
{
    public AlmanacTideTable(HarbourSettings settings)
    {
        ArgumentNullException.ThrowIfNull(settings);
        Thread.Sleep(TimeSpan.FromMilliseconds(140));
    }
}
