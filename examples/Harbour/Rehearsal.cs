using Harbour.Contracts;
using Harbour.Ledger;
using Harbour.Office;
using Junctivor;

namespace Harbour;

/// <summary>The office for a rehearsal: another clock, a ledger in memory, and notices that are only written down. No class is touched.</summary>
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
            Booking booking = new(pages.Lines.Count + 1, request.Vessel!, berth.Name, request.Arrival, request.Departure, fee, caller.Name, false);
            pages.Lines.Add(booking);
            return Task.FromResult(booking);
        }

        public Task<bool> DepartAsync(long id, DateTimeOffset now)
        {
            int index = pages.Lines.FindIndex(line => line.Id == id && !line.HasLeft);
            if (index >= 0)
            {
                pages.Lines[index] = pages.Lines[index] with { HasLeft = true };
            }

            return Task.FromResult(index >= 0);
        }
    }
}
