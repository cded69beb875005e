namespace Junctivor.Reports.Tests;

/// <summary>A small office, and what can be changed in it.</summary>
internal static class Office
{
    public static readonly ScopeLevel DutyShift = new("duty shift");

    public static Wiring Wiring =>
    [
        Scoped.Incoming<Caller>(),
        Singleton.Of<IClock, SystemClock>(),
        Scoped.Of<PaperLedger>().Also<IBerthLedger>(),
        Decorator.Of<IBerthLedger, AuditedLedger>(),
        Singleton.Of<INoticeChannel, Blackboard>(),
        Singleton.Of<INoticeChannel, Loudhailer>(),
        Singleton.From((HarbourFee fee) => new Tariff(fee.Amount)).Marked<Visitor>(),
        Singleton.Value(new HarbourFee(12)),
        Scoped.Of(typeof(IArchive<>), typeof(PaperArchive<>)),
        Alias.Of<IReader, IBerthLedger>(),
        DutyShift.Of<Roster>(),
        Transient.Of<BerthPlanner>(),
        Scoped.Of<BookingDesk>().ResolvedDirectly(),
        Singleton.Of<NightlyInvoicing>().Passing("hour", 3),
    ];

    public interface IClock;

    public interface IReader;

    public interface IBerthLedger : IReader;

    public interface INoticeChannel;

    public interface IArchive<T>;

    public sealed class Visitor;

    public sealed class SystemClock : IClock;

    public sealed class StoppedClock : IClock;

    public sealed record Caller(string Name);

    public sealed record HarbourFee(decimal Amount);

    public sealed record Tariff(decimal Amount);

    public sealed class Roster;

    public sealed class PaperLedger : IBerthLedger;

    public sealed record AuditedLedger(IBerthLedger Inner, Caller Caller) : IBerthLedger;

    public sealed class Blackboard : INoticeChannel;

    public sealed class Loudhailer : INoticeChannel;

    public sealed class PaperArchive<T> : IArchive<T>;

    public sealed record BerthPlanner(IBerthLedger Ledger, [Marked<Visitor>] Tariff Tariff, IArchive<Caller> Archive);

    public sealed record BookingDesk(
        BerthPlanner Planner, IBerthLedger Ledger, IReadOnlyList<INoticeChannel> Channels, Lazy<IClock> Clock, string? Motto = null);

    public sealed record NightlyInvoicing(FreshScope<IBerthLedger> Ledger, int hour);
}
