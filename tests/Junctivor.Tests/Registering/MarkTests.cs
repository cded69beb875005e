using Junctivor.Checks;

namespace Junctivor.Tests.Registering;

public class MarkTests
{
    [Fact]
    public void Two_plain_numbers_are_distinguished_by_their_marks()
    {
        using Container container = new Wiring
        {
            Singleton.Value(12).Marked<North>(),
            Singleton.Value(7).Marked<South>(),
            Singleton.Value(3).Marked("visitors"),
            Transient.Of<Gauge>(),
            Transient.From(([Marked<South>] int depth, [Marked("visitors")] int berths) => new LedgerFile($"{depth}/{berths}")),
        }.Build();

        Gauge gauge = container.Resolve<Gauge>();

        Assert.Equal((12, 7, 3), (gauge.North, gauge.South, gauge.Visitors));
        Assert.Equal("7/3", container.Resolve<LedgerFile>().Folder);
        Assert.Equal(
            (12, 7, 3), (container.ResolveMarked<int, North>(), container.Resolve<int>(typeof(South)), container.Resolve<int>("visitors")));
        Assert.True(container.TryResolve("visitors", out int berths));
        Assert.Equal(3, berths);
        Assert.False(container.TryResolve<int>("visitor", out _));
    }

    [Fact]
    public void A_list_has_marked_ones_where_it_includes_them()
    {
        using Container container = new Wiring
        {
            Singleton.Value("red").Marked("port"),
            Singleton.Value("white"),
            Singleton.Value("green").Marked<South>(),
            Transient.From((
                [IncludingMarked] IReadOnlyList<string> all, IReadOnlyList<string> unmarked, IReadOnlyDictionary<string, string> byMark) =>
                    new LedgerFile($"{string.Join(' ', all)}; {string.Join(' ', unmarked)}; {string.Join(' ', byMark.Values)}")),
        }.Build();

        Assert.Equal("red white green; white; red", container.Resolve<LedgerFile>().Folder);
    }

    [Fact]
    public void A_list_that_is_empty_for_its_marks_is_offered_to_include_them()
    {
        Wiring wiring =
        [
            Singleton.Value("red").Marked("port"),
            Transient.From((IReadOnlyList<string> lights) => new LedgerFile($"{lights.Count}")),
        ];

        Fault fault = Assert.Single(wiring.Check().All);

        Assert.Equal("JV505", fault.Code);
        Assert.EndsWith("marked \"port\": a list has unmarked registrations only.", fault.Remarks[0], StringComparison.Ordinal);
        Assert.Equal("[IncludingMarked] IReadOnlyList<string> lights", fault.Fixes[0].Code);
    }

    [Fact]
    public void What_includes_marked_ones_and_is_no_list_is_missing()
    {
        Wiring wiring = [Singleton.Value("red").Marked("port"), Transient.From(([IncludingMarked] string light) => new LedgerFile(light))];

        Fault fault = Assert.Single(wiring.Check().Errors);

        Assert.Equal("LedgerFile requires string marked or not, which is not registered", fault.Summary);
        Assert.Equal("[Marked(\"port\")] string light", fault.Fixes[0].Code);
    }

    [Fact]
    public void Two_plain_numbers_without_marks_are_a_fault_that_names_both_places()
    {
        Wiring wiring =
        [
            Singleton.Value(12),
            Singleton.Value(7),
            Transient.From((int depth) => new LedgerFile($"{depth}")),
        ];

        Fault fault = Assert.Single(wiring.Check().Errors);

        Assert.Equal("JV202", fault.Code);
        int[] lines = [.. fault.Path.Where(step => step.Depth == 2).Select(step => step.Line)];
        Assert.Equal(2, lines.Length);
        Assert.Equal(lines[0] + 1, lines[1]);
        Assert.Contains("[Marked(\"depth\")] int", fault.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void A_mistyped_mark_is_offered_the_right_one()
    {
        Wiring wiring = [Singleton.Value(7).Marked("visitors"),
            Transient.From(([Marked("vistors")] int berths) => new LedgerFile($"{berths}"))];

        Fault fault = Assert.Single(wiring.Check().Errors);

        Assert.Equal("JV101", fault.Code);
        Assert.Contains("int is registered at MarkTests.cs", fault.Remarks[0], StringComparison.Ordinal);
        Assert.Contains("[Marked(\"visitors\")] int", fault.Fixes[0].ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void What_is_marked_is_not_had_without_the_mark()
    {
        Wiring wiring = [Singleton.Of<IClock, SystemClock>().Marked<North>(), Transient.From((IClock clock) => new object())];

        Assert.Equal("JV101", Assert.Single(wiring.Check().Errors).Code);
    }

    [Fact]
    public void One_mark_holds_for_all_that_a_registration_serves()
    {
        using Container container = new Wiring { Singleton.Of<MemoryLedger>().Marked<North>().Also<IBerthLedger>() }.Build();

        Assert.Same(container.ResolveMarked<MemoryLedger, North>(), container.ResolveMarked<IBerthLedger, North>());
    }

    [Fact]
    public void Functions_lazy_values_and_lists_pass_the_mark_on()
    {
        using Container container = new Wiring
        {
            Singleton.Of<IClock, SystemClock>(),
            Singleton.Of<IClock, TideClock>().Marked("tide"),
            Transient.From(
                ([Marked("tide")] Func<IClock> make, [Marked("tide")] Lazy<IClock> lazy, [Marked("tide")] IReadOnlyList<IClock> all) =>
                Tuple.Create(make(), lazy.Value, all)),
        }.Build();

        (IClock made, IClock lazy, IReadOnlyList<IClock> all) = container.Resolve<Tuple<IClock, IClock, IReadOnlyList<IClock>>>();

        Assert.All([made, lazy, Assert.Single(all)], clock => Assert.IsType<TideClock>(clock));
    }

    [Fact]
    public void A_dictionary_has_what_is_marked_with_its_kind_of_key_in_the_order_written()
    {
        using Container container = new Wiring
        {
            Singleton.Of<IClock, SystemClock>().Marked("wall"),
            Singleton.Of<IClock, TideClock>().Marked("tide"),
            Singleton.Of<IClock, TideClock>().Marked<North>(),
            Singleton.Of<IClock, TideClock>(),
        }.Build();

        Assert.Equal(["wall", "tide"], container.Resolve<IReadOnlyDictionary<string, IClock>>().Keys);
        Assert.Equal([typeof(North)], container.Resolve<IReadOnlyDictionary<Type, IClock>>().Keys);
    }

    [Fact]
    public void A_dictionary_key_twice_is_ambiguous()
    {
        Wiring wiring =
        [
            Singleton.Of<IClock, SystemClock>().Marked("wall"),
            Singleton.Of<IClock, TideClock>().Marked("wall"),
            Transient.From((IReadOnlyDictionary<string, IClock> clocks) => new object()),
        ];

        Assert.Equal("JV202", Assert.Single(wiring.Check().Errors).Code);
    }

    [Fact]
    public void Properties_ask_by_marks_too()
    {
        using Container container = new Wiring { Singleton.Value(12).Marked<North>(), Transient.Of<Sounding>() }.Build();

        Assert.Equal(12, container.Resolve<Sounding>().Depth);
    }

    public sealed class North;

    public sealed class South;

    public sealed class Gauge([Marked<North>] int north, [Marked<South>] int south, [Marked("visitors")] int visitors)
    {
        public int North { get; } = north;

        public int South { get; } = south;

        public int Visitors { get; } = visitors;
    }

    public sealed class Sounding
    {
        [Inject]
        [Marked<North>]
        public int Depth { get; set; }
    }
}
