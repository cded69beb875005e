using Harbour.Ledger;
using Harbour.Office;
using Microsoft.Data.Sqlite;

namespace Harbour.Tests;

public class LedgerTests
{
    [Fact]
    public async Task An_arrival_is_noted_while_another_visit_reads()
    {
        DirectoryInfo folder = Directory.CreateTempSubdirectory("ledger-");
        try
        {
            LedgerFile file = LedgerFile.Open(new HarbourSettings(HarbourSettings.ShippedData, Path.Combine(folder.FullName, "ledger.db")));
            using Visit visit = new(new Muster(), new Caller("Mira"));
            await using SqliteBerthLedger ledger = new(file, visit);
            foreach (string vessel in (string[])["Heron", "Sandpiper"])
            {
                BerthRequest request = new(vessel, 12, 2, new DateOnly(2027, 5, 5), 1);
                await ledger.EnterAsync(request, new Berth("North 1", 18, 2.6), 40, visit.Caller);
            }

            await using SqliteConnection other = file.Connect();
            await other.OpenAsync(TestContext.Current.CancellationToken);
            await using SqliteCommand command = other.CreateCommand();
            command.CommandText = "select id from booking";
            await using SqliteDataReader reader = await command.ExecuteReaderAsync(TestContext.Current.CancellationToken);
            Assert.True(await reader.ReadAsync(TestContext.Current.CancellationToken));

            Booking? arrived = await ledger.ArriveAsync("Sandpiper", DateTimeOffset.UnixEpoch);

            Assert.Equal(("Sandpiper", true), (arrived?.Vessel, arrived?.HasArrived));
        }
        finally
        {
            folder.Delete(recursive: true);
        }
    }
}
