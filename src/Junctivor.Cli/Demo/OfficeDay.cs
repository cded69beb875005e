using Junctivor.Cli.Demo.Office;

namespace Junctivor.Cli.Demo;

/// <summary>Plays the days of a harbour office, one after another: two watches with the requests of their clerks, messages of arrivals
/// between them, and the invoicing of the night.</summary>
/// <param name="office">The container of <see cref="LiveOffice.Wiring"/>.</param>
internal sealed class OfficeDay(Container office)
{
    private const int RequestsOfWatch = 8;

    /// <summary>Plays on until it is canceled.</summary>
    public async Task PlayAsync(CancellationToken cancellationToken)
    {
        try
        {
            while (!cancellationToken.IsCancellationRequested)
            {
                await WatchAsync("morning watch", "Mira", cancellationToken).ConfigureAwait(false);
                await WatchAsync("evening watch", "Tove", cancellationToken).ConfigureAwait(false);
                await office.Resolve<NightlyInvoicing>().Run
                    .RunAsync(
                        _ => Task.Delay(Pause(300), cancellationToken),
                        [Incoming.Value(new Caller("the night clerk"))],
                        cancellationToken)
                    .ConfigureAwait(false);
            }
        }
        catch (OperationCanceledException) when (cancellationToken.IsCancellationRequested)
        {
            // The day is over.
        }
    }

    private async Task WatchAsync(string watch, string clerk, CancellationToken cancellationToken)
    {
        await using Scope shift = office.StartScope(LiveOffice.Shift, Incoming.Value(new Crew(watch)));
        Task arrivals = ArrivalsAsync(cancellationToken);
        for (int number = 0; number < RequestsOfWatch; number++)
        {
            await using Scope request = shift.StartScope(Incoming.Value(new Caller(clerk)));
            request.Resolve<BookingDesk>();
            await Task.Delay(Pause(90 + (number * 37 % 150)), cancellationToken).ConfigureAwait(false);
            if (number % 2 == 1)
            {
                await DepartAsync(request, cancellationToken).ConfigureAwait(false);
            }
        }

        await arrivals.ConfigureAwait(false);
    }

    /// <summary>A departure needs a pilot, and goes on without one.</summary>
    private static async Task DepartAsync(Scope request, CancellationToken cancellationToken)
    {
        DepartureDesk desk = request.Resolve<DepartureDesk>();
        await Task.Delay(Pause(60), cancellationToken).ConfigureAwait(false);
        try
        {
            _ = desk.Pilot.Value;
        }
        catch (ConstructionException)
        {
            await Task.Delay(Pause(120), cancellationToken).ConfigureAwait(false);
        }
    }

    private async Task ArrivalsAsync(CancellationToken cancellationToken)
    {
        for (int number = 0; number < RequestsOfWatch / 2; number++)
        {
            await Task.Delay(Pause(170), cancellationToken).ConfigureAwait(false);
            await using Scope message = office.StartScope(Incoming.Value(new Caller("the radio")));
            message.Resolve<ArrivalClerk>();
            await Task.Delay(Pause(210), cancellationToken).ConfigureAwait(false);
        }
    }

    private static TimeSpan Pause(int milliseconds) => TimeSpan.FromMilliseconds(milliseconds * 4);
}
