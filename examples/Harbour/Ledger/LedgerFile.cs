using Dapper;
using Harbour.Office;
using Microsoft.Data.Sqlite;

namespace Harbour.Ledger;

/// <summary>The SQLite file of the ledger: created once, opened for each visit.</summary>
public sealed class LedgerFile
{
    private readonly string _connection;

    private LedgerFile(string path) =>
        _connection = new SqliteConnectionStringBuilder { DataSource = path, Pooling = false }.ToString();

    /// <summary>Opens the ledger, and rules its page if it is new.</summary>
    public static LedgerFile Open(HarbourSettings settings)
    {
        LedgerFile file = new(settings.LedgerPath);
        using SqliteConnection connection = file.Connect();

        // With a write-ahead log a visit that reads never makes another visit's commit fail.
        connection.Execute(
            """
            pragma journal_mode = wal;
            create table if not exists booking (
                id integer primary key,
                vessel text not null,
                berth text not null,
                arrival text not null,
                departure text not null,
                fee text not null,
                booked_by text not null,
                left_at text);
            create table if not exists arrival (
                booking_id integer primary key references booking,
                at text not null);
            create table if not exists invoice (
                booking_id integer primary key references booking,
                at text not null)
            """);
        return file;
    }

    public SqliteConnection Connect() => new(_connection);
}
