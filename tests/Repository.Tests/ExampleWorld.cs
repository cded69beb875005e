namespace Repository.Tests;

/// <summary>The types and variables that the examples of the documentation use, and do not declare.</summary>
internal static class ExampleWorld
{
    /// <summary>What the examples talk about, and what they have at hand.</summary>
    public const string Types = """
        using static AtHand;
        using Microsoft.AspNetCore.Builder;
        using Microsoft.AspNetCore.Http;

        public static class AtHand
        {
            public static readonly WebApplication app = WebApplication.CreateBuilder().Build();
            public static async IAsyncEnumerable<string> MessagesAsync(HttpContext context) { await Task.Yield(); yield return ""; }
            public static readonly HarbourSettings settings = new("data");
            public static readonly Caller caller = new("Mira");
            public static readonly Wiring wiring = [.. Desks.Wiring];
            public static readonly Container container = wiring.Build();
            public static readonly Scope scope = container.StartScope();
            public static readonly bool isRehearsal = true;
            public static readonly System.Threading.Channels.Channel<IMessage> messages = System.Threading.Channels.Channel.CreateUnbounded<IMessage>();
            public static readonly CancellationToken stop = default;
            public static Task TellAsync(object what, Exception failure) => Task.CompletedTask;
            public static Task LogAsync(object what, Exception failure) => Task.CompletedTask;
            public static Caller CallerOf(HttpContext context) => caller;
            public static readonly WebApplicationBuilder builder = WebApplication.CreateBuilder();
            public static readonly CancellationToken cancellationToken = default;
            public static readonly string key = "Mira";
            public static readonly Sessions sessions = new(container, Levels.UserSession, TellAsync);
            public static readonly SystemClock stopped = new();
        }

        public interface ITideTable;
        public interface IBerthReader;
        public interface IBerthLedger : IBerthReader { Task InvoiceAsync(CancellationToken cancellation) => Task.CompletedTask; }
        public interface IArchive<T>;
        public interface INoticeChannel;
        public record HarbourClock;
        public sealed record StoppedClock : HarbourClock;
        public sealed record HarbourSettings(string DataFolder);
        public sealed record Caller(string Name);
        public sealed record Quays(int Count);
        public sealed record Tide;
        public sealed record Resident;
        public sealed record Visitor;
        public sealed record RunningOffice;
        public sealed record TariffBook;
        public sealed record DutyRoster;
        public sealed record Ticket(TariffBook Tariffs, string Vessel, int Nights);
        public sealed record LedgerFile(string Path) { public static LedgerFile Open(HarbourSettings settings) => new(settings.DataFolder); }
        public sealed class AlmanacTideTable : ITideTable;
        public sealed class MemoryLedger : IBerthLedger;
        public sealed class SqliteBerthLedger : IBerthLedger;
        public sealed class SqliteArchive<T> : IArchive<T>;
        public sealed class AlmanacArchive : IArchive<Tide>;
        public sealed class CountedArchive<T>(IArchive<T> inner) : IArchive<T> { public object Inner => inner; }
        public sealed class AuditedLedger(IBerthLedger inner) : IBerthLedger { public object Inner => inner; }
        public sealed class TimedLedger(IBerthLedger inner, HarbourClock clock) : IBerthLedger { public object Both => (inner, clock); }
        public sealed record BerthPlanner(IBerthLedger Ledger) { public string Plan(string vessel) => vessel; }
        public interface IClock;
        public sealed class SystemClock : IClock;
        public sealed class BerthLedger;
        public sealed class NoticeBoard;
        public sealed class FlagMast { public string[] Flags => []; }
        public interface IHarbourMessage;
        public static class Levels { public static readonly ScopeLevel UserSession = new("user session"); }
        public static class HarbourWiring { public static Wiring Wiring => []; }
        public interface IMessage;
        public sealed record Arrived(string Vessel) : IMessage;
        public sealed class BerthGiver : IMessageHandler<Arrived> { public Task HandleAsync(Arrived message, CancellationToken cancellation) => Task.CompletedTask; }
        public sealed class NightlyRun { public Task RunAsync(CancellationToken cancellation) => Task.CompletedTask; }
        public sealed class TideReader
        {
            public Task ReadAsync(CancellationToken cancellation) => Task.CompletedTask;
            public Task RunAsync(CancellationToken cancellation) => Task.CompletedTask;
        }
        public static class NoticeChannels { public static Wiring Wiring => []; }
        public static class Storage { public static Wiring Wiring => []; }
        public static class Harbour { public static Wiring Wiring => []; }
        """;

    public const string WebUsings = """
        using System.Security.Claims;
        using Microsoft.AspNetCore.Builder;
        using Microsoft.AspNetCore.Http;
        using Microsoft.AspNetCore.Mvc;
        using Microsoft.AspNetCore.Routing;
        using Microsoft.Extensions.Configuration;
        using Microsoft.Extensions.Hosting;

        """;

    public const string Desk = """
        public sealed record BookingDesk(IBerthLedger Ledger);
        public static class Desks { public static Wiring Wiring => [Scoped.Of<BookingDesk>(), Singleton.Of<IBerthLedger, MemoryLedger>()]; }
        """;

    public const string NoDesk = "public static class Desks { public static Wiring Wiring => []; }";
}
