using Harbour.Office;
using Junctivor;

namespace Harbour;

/// <summary>The office as a service that stays.</summary>
public static class Service
{
    private const int DidNotEnd = 1;
    private const int CannotStart = 2;

    public static async Task<int> RunAsync(string url, string ledgerPath, string telemetry)
    {
        using IDisposable? exports = Telemetry.Start(telemetry);
        HarbourSettings settings = new(HarbourSettings.ShippedData, ledgerPath);
        HarbourOffice office;
        try
        {
            office = await HarbourOffice.OpenAsync(HarbourWiring.WithPlugins(), settings, url);
        }
#pragma warning disable CA1031 // Whatever keeps the office from opening is told in a line, and the way to fix it.
        catch (Exception failure)
#pragma warning restore CA1031
        {
            await Console.Error.WriteLineAsync(
                $"The office cannot open at {url} with the ledger {ledgerPath}: {failure.Message} Give another address with --urls, or "
                    + "another file with --ledger.");
            return CannotStart;
        }

        await using (office)
        {
            Console.WriteLine(
                $"The harbour office is open at {office.Address}; its ledger is {Path.GetFullPath(ledgerPath)}. Ctrl+C closes it.");
            await office.WaitUntilToldToCloseAsync();
            return await CloseAsync(office);
        }
    }

    private static async Task<int> CloseAsync(HarbourOffice office)
    {
        try
        {
            await office.CloseAsync();
            Console.WriteLine("The harbour office is closed: the last requests are answered, the last arrivals noted.");
            return 0;
        }
        catch (Exception failure) when (failure is ShutdownTimeoutException or AggregateException)
        {
            await Console.Error.WriteLineAsync($"The office did not close well: {failure.Message}");
            return DidNotEnd;
        }
    }
}
