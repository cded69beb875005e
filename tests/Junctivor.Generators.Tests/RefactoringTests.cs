using Microsoft.CodeAnalysis.CodeActions;

namespace Junctivor.Generators.Tests;

/// <summary>What the editor offers beside the fixes of faults.</summary>
public class RefactoringTests
{
    private const string Office = """
        public static class Office
        {
            [CheckedWiring]
            public static Wiring Wiring =>
            [
                Singleton.Of<Muster>(),
                Transient.Of<Planner>(),
                Singleton.From((Muster muster) => new Ledger(muster)),
                Scoped.From<Muster, ILedger>(muster => new Ledger(muster)),
                Singleton.Value(new Depot()),
            ];
        }

        public interface ITides;
        public interface ILedger;
        public sealed class Almanac : ITides;
        public sealed class Muster;
        public sealed record Ledger(Muster Muster) : ILedger;
        public sealed record Planner(ITides Tides);
        public sealed class Depot : IDisposable { public void Dispose() { } }
        """;

    [Theory]
    [InlineData("class Almanac", "Singleton.Value(new Depot()),", "Singleton.Value(new Depot()),\n        Scoped.Of<ITides, Almanac>(),")]
    [InlineData("ITides Tides", "Singleton.Of<Muster>(),\n", null)]
    [InlineData("new Ledger(muster)),\n        Scoped", "Singleton.From((Muster muster) => new Ledger(muster))", "Singleton.Of<Ledger>()")]
    [InlineData("new Ledger(muster)),\n        Singleton", "Scoped.From<Muster, ILedger>(muster => new Ledger(muster))", "Scoped.Of<ILedger, Ledger>()")]
    [InlineData("new Depot()", "Singleton.Value(new Depot())", "Singleton.Of<Depot>().LeaveUndisposed()")]
    public async Task The_first_that_is_offered_is_made(string at, string before, string? after)
    {
        EditedProject project = EditedProject.Of("/Office.cs", Office);

        EditedProject changed = await project.WithAsync(First((await project.RefactoringsAtAsync(PlaceOf(at)))[0]));

        string text = await changed.TextAsync();
        if (after is not null)
        {
            Assert.Equal(Office.Replace(before, after, StringComparison.Ordinal), text);
        }
        else
        {
            Assert.Contains("Of<ITides, Almanac>()", text, StringComparison.Ordinal);
            Assert.Empty(await changed.AnalyzeAsync());
        }
    }

    [Theory]
    [InlineData("class Muster")]
    [InlineData("Muster Muster")]
    [InlineData("interface ITides")]
    public async Task Nothing_is_offered_where_nothing_is_missing(string at) =>
        Assert.Empty(await EditedProject.Of("/Office.cs", Office).RefactoringsAtAsync(PlaceOf(at)));

    [Theory]
    [InlineData(
        """
        IClock clock = new SystemClock();
        // Where berths are kept.
        Ledger ledger = new(clock, "berths.db");
        Desk desk = new(ledger, new Printer(clock));
        desk.Open();
        """,
        "Desk desk",
        """
        // Where berths are kept.
        Wiring wiring =
        [
            Singleton.Of<IClock, SystemClock>(),
            Singleton.Of<Ledger>().Passing("file", "berths.db"),
            Singleton.Of<Printer>(),
            Singleton.Of<Desk>(),
        ];
        using Container container = wiring.Build();
        Desk desk = container.Resolve<Desk>();
        desk.Open();
        """)]
    [InlineData(
        """
        string wiring = "used";
        SystemClock clock = new();
        Console.WriteLine(clock);
        using Desk desk = new(new Ledger(clock, null), new Printer(clock));
        """,
        "using Desk",
        """
        string wiring = "used";
        SystemClock clock = new();
        Console.WriteLine(clock);
        Wiring wiring2 =
        [
            Singleton.Of<Ledger>().Passing("clock", clock).Passing("file", (string?)null),
            Singleton.Of<Printer>().Passing("clock", clock),
            Singleton.Of<Desk>(),
        ];
        using Container container = wiring2.Build();
        Desk desk = container.Resolve<Desk>();
        """)]
    [InlineData(
        """
        SystemClock clock = new();
        new Desk(new Ledger(clock, "a"), new Printer(clock)).Open();
        """,
        "new Desk",
        """
        Wiring wiring =
        [
            Singleton.Of<IClock, SystemClock>(),
            Singleton.Of<Ledger>().Passing("file", "a"),
            Singleton.Of<Printer>(),
            Singleton.Of<Desk>(),
        ];
        using Container container = wiring.Build();
        container.Resolve<Desk>().Open();
        """)]
    [InlineData(
        """
        SystemClock clock = new(); Console.WriteLine("starting"); Console.Beep();   // two statements beside it
        Printer printer = new(clock); // prints
        Desk desk = new(new Ledger(clock, "a"), printer); desk.Open();
        """,
        "Desk desk",
        """
        Console.WriteLine("starting"); Console.Beep();   // two statements beside it
        // prints
        Wiring wiring =
        [
            Singleton.Of<IClock, SystemClock>(),
            Singleton.Of<Ledger>().Passing("file", "a"),
            Singleton.Of<Printer>(),
            Singleton.Of<Desk>(),
        ];
        using Container container = wiring.Build();
        Desk desk = container.Resolve<Desk>(); desk.Open();
        """)]
    [InlineData(
        """
        SystemClock clock = new(); Printer printer = new(clock); Desk desk = new(new Ledger(clock, "a"), printer); desk.Open();
        """,
        "Desk desk",
        """
        Wiring wiring =
        [
            Singleton.Of<IClock, SystemClock>(),
            Singleton.Of<Ledger>().Passing("file", "a"),
            Singleton.Of<Printer>(),
            Singleton.Of<Desk>(),
        ];
        using Container container = wiring.Build();
        Desk desk = container.Resolve<Desk>(); desk.Open();
        """)]
    [InlineData(
        """
        string file = "a"; SystemClock clock = new();
        Ledger ledger = new(clock, file);
        file = "b";
        Desk desk = new(ledger, new Printer(clock));
        desk.Open();
        """,
        "Desk desk",
        """
        string file = "a"; SystemClock clock = new();
        Ledger ledger = new(clock, file);
        file = "b";
        Wiring wiring =
        [
            Singleton.Of<Printer>().Passing("clock", clock),
            Singleton.Of<Desk>().Passing("Ledger", ledger),
        ];
        using Container container = wiring.Build();
        Desk desk = container.Resolve<Desk>();
        desk.Open();
        """)]
    [InlineData(
        """
        try { Console.WriteLine(); } finally { } SystemClock clock = new();
        Ledger ledger = new(clock,
        "a"); Console.WriteLine("between"); Desk desk = new(ledger, new Printer(clock));
        """,
        "Desk desk",
        """
        try { Console.WriteLine(); } finally { }
        Console.WriteLine("between");
        Wiring wiring =
        [
            Singleton.Of<IClock, SystemClock>(),
            Singleton.Of<Ledger>().Passing("file", "a"),
            Singleton.Of<Printer>(),
            Singleton.Of<Desk>(),
        ];
        using Container container = wiring.Build();
        Desk desk = container.Resolve<Desk>();
        """)]
    public async Task What_is_constructed_by_hand_becomes_a_wiring(string before, string at, string after)
    {
        EditedProject project = EditedProject.Of("/Program.cs", Program(before));
        int place = Program(before).IndexOf("new", Program(before).IndexOf(at, StringComparison.Ordinal), StringComparison.Ordinal);

        EditedProject changed = await project.WithAsync(Assert.Single(await project.RefactoringsAtAsync(place)));

        Assert.Equal(Program(after), await changed.TextAsync());
        Assert.Empty((await changed.SourceAsync()).Analyze());
    }

    [Theory]
    [InlineData("Desk desk = new(new Ledger(new SystemClock(), \"a\"), new Printer(new SystemClock()));")]
    [InlineData("SystemClock clock = new();")]
    [InlineData("Desk desk = new(new Ledger(new SystemClock(), \"a\"), /* prints */ new Printer(null!));")]
    [InlineData("object kept = null!; kept = new Printer(new SystemClock());")]
    [InlineData("int count = 0; Shelf shelf = new(new Counter(ref count, new SystemClock()));")]
    public async Task Nothing_is_offered_where_a_wiring_would_say_something_else(string statements)
    {
        EditedProject project = EditedProject.Of("/Program.cs", Program(statements));

        Assert.Empty(await project.RefactoringsAtAsync(Program(statements).IndexOf("new", StringComparison.Ordinal)));
    }

    [Theory]
    [InlineData("new Printer(clock)", "Transient.Of<Printer>()", "container.Resolve<Printer>()")]
    [InlineData("new Ledger(clock)", null, "container.Resolve<Ledger>()")]
    public async Task Beside_a_container_it_is_registered_and_resolved(string construction, string? registered, string resolved)
    {
        EditedProject project = EditedProject.Of("/Program.cs", Office(construction, null));

        EditedProject changed = await project.WithAsync(First(Assert.Single(
            await project.RefactoringsAtAsync(Office(construction, null).LastIndexOf("new", StringComparison.Ordinal)))));

        Assert.Equal(Office(resolved, registered), await changed.TextAsync());
        Assert.Empty((await changed.SourceAsync()).Analyze());

        static string Office(string made, string? registration) => $$"""
            public interface IClock;
            public sealed class SystemClock : IClock;
            public sealed record Ledger(IClock clock);
            public sealed record Printer(IClock clock);

            public static class Program
            {
                public static Wiring Office =>
                [
                    Singleton.Of<IClock, SystemClock>(),
                    Singleton.Of<Ledger>(),{{(registration is null ? "" : $"\n        {registration},")}}
                ];

                public static void Main()
                {
                    using Container container = Office.Build();
                    IClock clock = container.Resolve<IClock>();
                    Console.WriteLine({{made}});
                }
            }
            """;
    }

    [Fact]
    public async Task Beside_a_container_nothing_is_offered_that_the_wiring_does_not_provide()
    {
        const string text = """
            public sealed record Printer(string Name);

            public static class Program
            {
                public static Wiring Office => [Singleton.Of<object>()];

                public static void Print(Scope scope) => Console.WriteLine(new Printer("north"));
            }
            """;
        EditedProject project = EditedProject.Of("/Program.cs", text);

        Assert.Empty(await project.RefactoringsAtAsync(text.LastIndexOf("new", StringComparison.Ordinal)));
    }

    private static string Program(string statements) => $$"""
        public static class Program
        {
            public static void Main()
            {
        {{string.Join("\n", statements.Split('\n').Select(line => $"        {line}"))}}
            }
        }

        public interface IClock;
        public sealed class SystemClock : IClock;
        public sealed record Ledger(IClock Clock, string? file);
        public sealed record Printer(IClock Clock);
        public sealed class Counter { public Counter(ref int count, IClock clock) => count++; }
        public sealed record Shelf(Counter Counter);
        public sealed record Desk(Ledger Ledger, Printer Printer) : IDisposable { public void Open() { } public void Dispose() { } }
        """.Replace("(IClock Clock", "(IClock clock", StringComparison.Ordinal);

    private static CodeAction First(CodeAction action) => action.NestedActions.IsEmpty ? action : First(action.NestedActions[0]);

    /// <summary>The last word of a text before its bracket, or the first behind <c>class</c>.</summary>
    private static int PlaceOf(string at)
    {
        int start = Office.IndexOf(at, StringComparison.Ordinal);
        Assert.True(start >= 0);
        return at.StartsWith("new ", StringComparison.Ordinal) ? start : start + at.IndexOf(' ', StringComparison.Ordinal) + 1;
    }
}
