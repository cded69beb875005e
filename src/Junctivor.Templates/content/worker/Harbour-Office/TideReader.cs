using Junctivor;

namespace Harbour_Office;

/// <summary>Reads the tide again and again. It lives as long as the program; each reading has a log of its own.</summary>
public sealed class TideReader(FreshScope<TideLog> logs, TimeProvider time)
{
    private static readonly TimeSpan Interval = TimeSpan.FromSeconds(1);

    public async Task RunAsync(CancellationToken stop)
    {
        using PeriodicTimer timer = new(Interval, time);
        do
        {
            await logs.RunAsync(log => log.WriteAsync(time.GetLocalNow()), cancellationToken: stop);
        }
        while (await timer.WaitForNextTickAsync(stop));
    }
}
