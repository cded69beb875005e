using System.Globalization;
using Dapper;
using Harbour.Office;
using Microsoft.Data.Sqlite;

namespace Harbour.Ledger;

/// <summary>The ledger of one visit: one connection, closed when the visit ends.</summary>
public sealed class SqliteBerthLedger : IBerthLedger, IAsyncDisposable
{
    private const string Columns =
        "id, vessel, berth, arrival, departure, fee, booked_by as bookedBy, (select at from arrival where booking_id = id) as arrivedAt, "
            + "left_at as leftAt";

    private const string Invoices = "select id as requestId, vessel, fee from booking join invoice on booking_id = id";

    private readonly SqliteConnection _connection;
    private readonly Visit _visit;

    public SqliteBerthLedger(LedgerFile file, Visit visit)
    {
        _connection = file.Connect();
        _visit = visit;
        Badge = visit.Enter(this);
    }

    public string Badge { get; }

    public async Task<IReadOnlyList<Booking>> CurrentAsync() =>
        [.. (await _connection.QueryAsync<Line>($"select {Columns} from booking where left_at is null order by id")).Select(
            line => line.ToBooking())];

    public async Task<Booking?> FindAsync(long id) =>
        (await _connection.QuerySingleOrDefaultAsync<Line>($"select {Columns} from booking where id = @id", new { id }))?.ToBooking();

    public async Task<Booking> EnterAsync(BerthRequest request, Berth berth, decimal fee, Caller caller)
    {
        Line line = await _connection.QuerySingleAsync<Line>(
            $"""
            insert into booking (vessel, berth, arrival, departure, fee, booked_by)
            values (@Vessel, @Berth, @Arrival, @Departure, @Fee, @BookedBy)
            returning {Columns}
            """,
            new
            {
                request.Vessel,
                Berth = berth.Name,
                Arrival = Text(request.Arrival),
                Departure = Text(request.Departure),
                Fee = fee.ToString(CultureInfo.InvariantCulture),
                BookedBy = caller.Name,
            });
        return line.ToBooking();
    }

    public async Task<Booking?> ArriveAsync(string vessel, DateTimeOffset now)
    {
        long? id = await _connection.QuerySingleOrDefaultAsync<long?>(
            """
            insert into arrival
            select id, @now from booking
            where vessel = @vessel and left_at is null and id not in (select booking_id from arrival)
            order by arrival limit 1
            returning booking_id
            """,
            new { vessel, now = Text(now) });
        return id is null ? null : await FindAsync(id.Value);
    }

    public async Task<bool> DepartAsync(long id, DateTimeOffset now) =>
        await _connection.ExecuteAsync(
            "update booking set left_at = @now where id = @id and left_at is null", new { id, now = Text(now) }) == 1;

    public async Task<IReadOnlyList<Invoice>> InvoiceAsync(DateTimeOffset now)
    {
        IEnumerable<long> written = await _connection.QueryAsync<long>(
            "insert into invoice select id, @now from booking where left_at is not null and id not in (select booking_id from invoice) "
                + "returning booking_id",
            new { now = Text(now) });
        return await InvoicesAsync($"{Invoices} where id in @written order by id", new { written });
    }

    public Task<IReadOnlyList<Invoice>> InvoicesAsync() => InvoicesAsync($"{Invoices} order by id", new { });

    public async ValueTask DisposeAsync()
    {
        await _connection.DisposeAsync();
        _visit.Leave(this);
    }

    private async Task<IReadOnlyList<Invoice>> InvoicesAsync(string query, object values) =>
    [
        .. (await _connection.QueryAsync<(long RequestId, string Vessel, string Fee)>(query, values))
            .Select(line => new Invoice(line.RequestId, line.Vessel, decimal.Parse(line.Fee, CultureInfo.InvariantCulture))),
    ];

    private static string Text(DateTimeOffset time) => time.ToString("O", CultureInfo.InvariantCulture);

    private static string Text(DateOnly date) => date.ToString("O", CultureInfo.InvariantCulture);

    private sealed record Line(
        long Id, string Vessel, string Berth, string Arrival, string Departure, string Fee, string BookedBy, string? ArrivedAt,
        string? LeftAt)
    {
        public Booking ToBooking() => new(
            Id,
            Vessel,
            Berth,
            DateOnly.Parse(Arrival, CultureInfo.InvariantCulture),
            DateOnly.Parse(Departure, CultureInfo.InvariantCulture),
            decimal.Parse(Fee, CultureInfo.InvariantCulture),
            BookedBy,
            ArrivedAt is not null,
            LeftAt is not null);
    }
}
