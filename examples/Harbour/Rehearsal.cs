using Harbour.Contracts;
using Harbour.Ledger;
using Harbour.Office;
using Junctivor;

namespace Harbour;

/// <summary>The office for a rehearsal: another clock, a ledger in memory, and notices that are only written down. No class is
/// touched.</summary>
public static class Rehearsal
{
    /// <summary>When every rehearsal takes place.</summary>
    public static readonly DateTimeOffset Noon = new(2027, 5, 4, 12, 0, 0, TimeSpan.Zero);

    /// <summary>What a rehearsal replaces: behind the wiring of the office, or in a branch of its container.</summary>
    public static Wiring Changes =>
    [
        Singleton.Of<IClock, StoppedClock>().Replacing(),
        Singleton.Of<LedgerPages>(),
        Scoped.Of<IBerthLedger, MemoryLedger>().Replacing(),
        Singleton.Of<NoticeRecorder>().Also<INoticeChannel>().Replacing(),
    ];

    /// <summary>A clock that stands still.</summary>
    public sealed class StoppedClock : IClock
    {
        public DateTimeOffset Now => Noon;
    }

    /// <summary>A channel that only writes down what it was told.</summary>
    public sealed class NoticeRecorder : INoticeChannel
    {
        public string Name => "recorder";

        public List<string> Notices { get; } = [];

        public void Tell(string notice) => Notices.Add(notice);
    }

    /// <summary>The lines of a ledger that is not kept.</summary>
    public sealed class LedgerPages
    {
        public List<Booking> Lines { get; } = [];

        public List<Invoice> Invoices { get; } = [];
    }

    /// <summary>A ledger on pages in memory.</summary>
    public sealed class MemoryLedger(LedgerPages pages) : IBerthLedger
    {
        public string Badge => "memory";

        public Task<IReadOnlyList<Booking>> CurrentAsync() =>
            Task.FromResult<IReadOnlyList<Booking>>([.. pages.Lines.Where(line => !line.HasLeft)]);

        public Task<Booking?> FindAsync(long id) => Task.FromResult(pages.Lines.Find(line => line.Id == id));

        public Task<Booking> EnterAsync(BerthRequest request, Berth berth, decimal fee, Caller caller)
        {
            Booking booking =
                new(pages.Lines.Count + 1, request.Vessel!, berth.Name, request.Arrival, request.Departure, fee, caller.Name, false, false);
            pages.Lines.Add(booking);
            return Task.FromResult(booking);
        }

        public Task<Booking?> ArriveAsync(string vessel, DateTimeOffset now) =>
            Task.FromResult(Change(line => line.Vessel == vessel && !line.HasArrived, line => line with { HasArrived = true }));

        public Task<bool> DepartAsync(long id, DateTimeOffset now) =>
            Task.FromResult(Change(line => line.Id == id, line => line with { HasLeft = true }) is not null);

        public Task<IReadOnlyList<Invoice>> InvoiceAsync(DateTimeOffset now)
        {
            Invoice[] written =
            [
                .. pages.Lines
                    .Where(line => line.HasLeft && pages.Invoices.All(invoice => invoice.RequestId != line.Id))
                    .Select(line => new Invoice(line.Id, line.Vessel, line.Fee)),
            ];
            pages.Invoices.AddRange(written);
            return Task.FromResult<IReadOnlyList<Invoice>>(written);
        }

        public Task<IReadOnlyList<Invoice>> InvoicesAsync() => Task.FromResult<IReadOnlyList<Invoice>>([.. pages.Invoices]);

        private Booking? Change(Predicate<Booking> isMeant, Func<Booking, Booking> change)
        {
            int index = pages.Lines.FindIndex(line => !line.HasLeft && isMeant(line));
            return index < 0 ? null : pages.Lines[index] = change(pages.Lines[index]);
        }
    }
}
