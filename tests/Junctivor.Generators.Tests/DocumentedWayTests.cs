using Junctivor.Tests.Shared;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Tests;

/// <summary>Each way to write a wiring that docs/compile-time.md lists compiles, and is followed to the fault that it has here.</summary>
public class DocumentedWayTests
{
    private const string World = """

        public interface IClock;
        public sealed class Clock : IClock;
        public sealed class TestClock : IClock;
        public interface ILedger;
        public sealed class Ledger : ILedger;
        [SelfRegistered(Lifetime.Singleton)] public sealed class Desk(ILedger ledger) { public object Ledger => ledger; }
        public sealed class Crane(ILedger ledger) { public object Ledger => ledger; }
        public static class Storage
        {
            private static Wiring? _kept;
            private static readonly Lazy<Wiring> _later = new(() => [Singleton.Of<Desk>()]);
            public static Wiring Wiring => [Singleton.Of<Crane>()];
            public static Wiring Test => [Singleton.Of<Crane>()];
            public static Wiring Kept => _kept ??= [Singleton.Of<Crane>()];
            public static Wiring? Later => _later.Value;
            public static readonly Type[] Types = [typeof(Desk), typeof(Crane)];
            public static readonly Func<ILedger, Desk> MakeDesk = ledger => new Desk(ledger);
            public static Wiring AddStorage(this Wiring wiring, Action<Wiring>? more = null) { wiring.Add(Singleton.Of<Crane>()); more?.Invoke(wiring); return wiring; }
            public static Wiring AddDesk(this Wiring wiring) { wiring.Add(Singleton.Of<Desk>()); return wiring; }
            public static void AddTides(this Wiring wiring, bool cached) { if (!cached) { return; } wiring.Add(Singleton.Of<Desk>()); }
            public static void AddOne<T>(this Wiring wiring) where T : class => wiring.Add(Singleton.Of<T>());
            public static void AddPart<T>(this Wiring wiring) where T : IStaticPart => T.AddTo(wiring);
            extension(Wiring wiring) { public void AddCranes() => wiring.Add(Singleton.Of<Crane>()); }
            public static async Task<Wiring> CreateAsync() { await Task.Yield(); return [Singleton.Of<Desk>()]; }
            public static IEnumerable<Registration> Listed() { yield return Singleton.Of<Desk>(); }
        }
        public interface IPart { void AddTo(Wiring wiring); }
        public sealed class StoragePart : IPart { public void AddTo(Wiring wiring) => wiring.Add(Singleton.Of<Crane>()); }
        public sealed class DeskPart : IPart { public void AddTo(Wiring wiring) => wiring.Add(Singleton.Of<Desk>()); }
        public interface IStaticPart { static abstract void AddTo(Wiring wiring); }
        public sealed class CranePart : IStaticPart { public static void AddTo(Wiring wiring) => wiring.Add(Singleton.Of<Crane>()); }
        public sealed class DeskModule(bool isTest) { public Wiring Services => isTest ? [] : [Singleton.Of<Desk>()]; }
        public sealed class OfficeBuilder
        {
            private readonly Wiring _services = [];
            public Wiring Services => _services;
            public OfficeBuilder Storage() { _services.Add(Singleton.Of<Crane>()); return this; }
            public OfficeBuilder Desk() { _services.Add(Singleton.Of<Desk>()); return this; }
        }
        public abstract class Office { public virtual Wiring Create() => [Singleton.Of<Crane>()]; }
        public sealed class FullOffice : Office { public override Wiring Create() => [.. base.Create(), Singleton.Of<Desk>()]; }
        public static class Completed { public static readonly Wiring Services; static Completed() { Services = [Singleton.Of<Desk>()]; Services.Add(Singleton.Of<Crane>()); } }
        """;

    public static TheoryData<string, string> Ways
    {
        get
        {
            string page = File.ReadAllText(Path.Combine(ProgramRun.RepositoryRoot, "docs", "compile-time.md"));
            TheoryData<string, string> ways = [];
            IEnumerable<string> table = page.Split('\n').SkipWhile(line => line != "| way | example |").TakeWhile(line => line.StartsWith('|'));
            foreach (string row in table.Skip(2))
            {
                string[] cells = row.Split('|');
                ways.Add(cells[1].Trim(), string.Join('|', cells[2..^1]).Trim().Trim('`'));
            }

            return ways;
        }
    }

    [Fact]
    public void There_are_many() => Assert.InRange(Ways.Count, 25, 100);

    [Theory]
    [MemberData(nameof(Ways))]
    public void An_example_is_followed(string way, string example)
    {
        // A clock is registered only by some: then the fault is of the ledger in all outcomes.
        AnalyzedSource source = AnalyzedSource.OfText($$"""
            public static class Program
            {
                public static Container Build(bool isTest)
                {
                    Wiring wiring = [Singleton.Of<Needs>()];
                    {{example}}
                    {{(example.Contains("Wiring all", StringComparison.Ordinal) ? "return all.Build();" : "return wiring.Build();")}}
                }
            }
            public sealed class Needs(ILedger ledger) { public object Ledger => ledger; }
            {{World}}
            """);

        IReadOnlyList<Diagnostic> found = source.Analyze();

        Assert.NotEqual("", way);
        Assert.DoesNotContain(found, each => each.Id == "JV901");
        Assert.Contains(found, each => each.Id == "JV101" && each.GetMessage().Contains("ILedger", StringComparison.Ordinal));
    }
}
