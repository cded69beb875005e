using System.Text.RegularExpressions;
using Junctivor.Tests.Shared;

namespace Junctivor.Tests;

/// <summary>Every block of C# in the documentation compiles, in the world of its examples.</summary>
public partial class DocumentationTests
{
    /// <summary>What the examples talk about, and what they have at hand.</summary>
    private const string World = """
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
        public sealed record BerthPlanner(IBerthLedger Ledger);
        public interface IMessage;
        public sealed record Arrived(string Vessel) : IMessage;
        public sealed class BerthGiver : IMessageHandler<Arrived> { public Task HandleAsync(Arrived message, CancellationToken cancellation) => Task.CompletedTask; }
        public sealed class NightlyRun { public Task RunAsync(CancellationToken cancellation) => Task.CompletedTask; }
        public sealed class TideReader { public Task ReadAsync(CancellationToken cancellation) => Task.CompletedTask; }
        public static class NoticeChannels { public static Wiring Wiring => []; }
        public static class Storage { public static Wiring Wiring => []; }
        public static class Harbour { public static Wiring Wiring => []; }
        """;

    private const string WebUsings = """
        using System.Security.Claims;
        using Microsoft.AspNetCore.Builder;
        using Microsoft.AspNetCore.Http;
        using Microsoft.AspNetCore.Mvc;
        using Microsoft.AspNetCore.Routing;
        using Microsoft.Extensions.Configuration;
        using Microsoft.Extensions.Hosting;

        """;

    private const string Desk = """
        public sealed record BookingDesk(IBerthLedger Ledger);
        public static class Desks { public static Wiring Wiring => [Scoped.Of<BookingDesk>(), Singleton.Of<IBerthLedger, MemoryLedger>()]; }
        """;

    private const string NoDesk = "public static class Desks { public static Wiring Wiring => []; }";

    public static TheoryData<string, int> Blocks
    {
        get
        {
            TheoryData<string, int> blocks = [];
            // The blocks of faults.md are the samples of examples/Mistakes, which have tests of their own.
            foreach (string file in Directory.EnumerateFiles(Path.Combine(ProgramRun.RepositoryRoot, "docs"), "*.md")
                .Where(file => Path.GetFileName(file) != "faults.md").Append(Path.Combine(ProgramRun.RepositoryRoot, "README.md")))
            {
                for (int number = 0; number < BlocksIn(file).Count; number++)
                {
                    blocks.Add(Path.GetRelativePath(ProgramRun.RepositoryRoot, file), number);
                }
            }

            return blocks;
        }
    }

    [Theory]
    [MemberData(nameof(Blocks))]
    public async Task Each_block_compiles_and_is_sound(string file, int number)
    {
        string block = BlocksIn(Path.Combine(ProgramRun.RepositoryRoot, file))[number];
        if (block.StartsWith("using Junctivor;", StringComparison.Ordinal))
        {
            Assert.Empty(CompiledSource.ErrorsOfProgram(block, ""));
            Assert.Empty(await AnalyzedProgram.FaultsAsync(block, ""));
            return;
        }

        string usings = "using static AtHand;\nusing Junctivor.Testing;\n"
            + (file.EndsWith("web.md", StringComparison.Ordinal) || block.Contains("WebApplication", StringComparison.Ordinal)
                ? WebUsings
                : "");
        string statement = block.Contains("sealed class", StringComparison.Ordinal) ? "return;\n" : "";
        string desk = block.Contains("class BookingDesk", StringComparison.Ordinal) ? NoDesk : Desk;

        IReadOnlyList<string> errors = CompiledSource.ErrorsOfProgram(usings + statement + block, World + desk);

        Assert.Empty(errors);
        Assert.Empty(await AnalyzedProgram.FaultsAsync(usings + statement + block, World + desk));
    }

    [Fact]
    public void The_program_of_the_readme_is_the_one_of_the_package() =>
        Assert.Equal(
            BlocksIn(Path.Combine(ProgramRun.RepositoryRoot, "src", "Junctivor", "README.md"))[0],
            BlocksIn(Path.Combine(ProgramRun.RepositoryRoot, "README.md"))[0]);

    [Fact]
    public void A_block_that_is_wrong_would_be_found() =>
        Assert.NotEmpty(CompiledSource.ErrorsOfProgram("Wiring wiring = [Singleton.Of<INowhere>()];", World));

    [Fact]
    public async Task A_block_that_is_unsound_would_be_found() =>
        Assert.NotEmpty(await AnalyzedProgram.FaultsAsync(
            "using var office = new Wiring { Singleton.Of<BookingDesk>() }.Build();", World + Desk));

    private static List<string> BlocksIn(string file) =>
        [.. CSharpBlock().Matches(File.ReadAllText(file)).Select(match => match.Groups[1].Value)];

    [GeneratedRegex("```csharp\n(.*?)```", RegexOptions.Singleline)]
    private static partial Regex CSharpBlock();
}
