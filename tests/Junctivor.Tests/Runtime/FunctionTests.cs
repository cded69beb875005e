using Junctivor.Checks;

namespace Junctivor.Tests.Runtime;

public class FunctionTests
{
    private static CancellationToken Token => TestContext.Current.CancellationToken;

    [Fact]
    public void Arguments_go_by_type_and_those_of_one_type_by_order_and_the_rest_is_wired()
    {
        using Container container = new Wiring { Singleton.Of<IClock, SystemClock>(), Transient.Of<Office>() }.Build();
        Office office = container.Resolve<Office>();

        Ticket ticket = office.Print("Heron", 2, 5);

        Assert.Equal(("Heron", 2, 5), (ticket.Vessel, ticket.Berth, ticket.Nights));
        Assert.Same(container.Resolve<IClock>(), ticket.Clock);
        Assert.NotSame(ticket, office.Print("Heron", 2, 5));
    }

    [Fact]
    public void A_registered_transient_is_constructed_under_its_service_with_its_decorators()
    {
        using Container container = new Wiring
        {
            Transient.Of<ITicket, PlainTicket>(),
            Decorator.Of<ITicket, Stamped>(),
            Singleton.From((Func<string, ITicket> print) => Tuple.Create(print)),
        }.Build();

        ITicket ticket = container.Resolve<Func<string, ITicket>>()("Heron");

        Assert.Equal("Heron", Assert.IsType<PlainTicket>(Assert.IsType<Stamped>(ticket).Inner).Vessel);
        Assert.Equal("JV101", Assert.Throws<ResolveException>(container.Resolve<ITicket>).Report.Errors[0].Code);
    }

    [Fact]
    public void One_to_four_arguments_are_taken()
    {
        using Container container = new Wiring { Singleton.Of<IClock, SystemClock>() }.Build();

        Assert.Equal("1", container.Resolve<Func<int, Sum>>()(1).Text);
        Assert.Equal("1a", container.Resolve<Func<int, string, Sum>>()(1, "a").Text);
        Assert.Equal("1aTrue", container.Resolve<Func<int, string, bool, Sum>>()(1, "a", true).Text);
        Assert.Equal("1aTrue9", container.Resolve<Func<int, string, bool, long, Sum>>()(1, "a", true, 9).Text);
    }

    [Fact]
    public void What_constructs_more_of_its_own_kind_comes_to_an_end()
    {
        using Container container = new Wiring { Transient.From((Func<int, Chain> make) => make(3)).Marked("chain") }.Build();

        Assert.Equal("3210", container.Resolve<Chain>("chain").ToString());
    }

    [Fact]
    public void An_argument_that_nothing_takes_is_a_fault_at_build()
    {
        Wiring wiring = [Singleton.Of<IClock, SystemClock>(), Transient.From((Func<DateTime, Ticket> print) => new object())];

        Fault fault = Assert.Single(wiring.Check().Errors, fault => fault.Code == "JV106");

        Assert.Contains("Ticket has no constructor parameter for the argument DateTime", fault.Summary, StringComparison.Ordinal);
    }

    [Fact]
    public void A_class_without_a_public_constructor_is_what_is_wrong_and_not_the_arguments()
    {
        Wiring wiring = [Transient.From((Func<DateTime, Sealed> print) => new object())];

        Fault fault = Assert.Single(wiring.Check().Errors);

        Assert.Equal(("JV102", "FunctionTests.Sealed has no public constructor"), (fault.Code, fault.Summary));
    }

    [Fact]
    public void What_the_arguments_leave_open_must_be_registered()
    {
        Wiring wiring = [Transient.From((Func<string, int, int, Ticket> print) => new object())];

        Fault fault = Assert.Single(wiring.Check().Errors);

        Assert.Equal("JV101", fault.Code);
        Assert.Contains("Ticket requires IClock", fault.Summary, StringComparison.Ordinal);
    }

    [Fact]
    public void Something_shared_cannot_take_arguments()
    {
        Wiring wiring = [Singleton.Of<ITicket, PlainTicket>().Passing("x"), Transient.From((Func<string, ITicket> print) => new object())];

        Assert.Equal("JV109", Assert.Single(wiring.Check().Errors).Code);
    }

    [Fact]
    public void A_singletons_function_of_something_scoped_is_captive_also_with_arguments()
    {
        Wiring wiring = [Scoped.Of<IClock, SystemClock>(), Singleton.From((Func<string, int, int, Ticket> print) => new object())];

        Assert.Equal("JV301", Assert.Single(wiring.Check().Errors).Code);
    }

    [Fact]
    public void Disposable_transients_through_a_singletons_function_are_a_warning()
    {
        Wiring wiring = [Transient.Of<Rope>(), Singleton.From((Func<Rope> rope) => new object())];
        Wiring released = [Transient.Of<Rope>().LeaveUndisposed(), Singleton.From((Func<Rope> rope) => new object())];

        Assert.Equal("JV304", Assert.Single(wiring.Check().Warnings).Code);
        Assert.Empty(released.Check().All);
    }

    [Fact]
    public void A_transient_with_state_in_a_singleton_is_noted_and_a_disposable_one_is_a_warning()
    {
        Wiring wiring =
        [
            Transient.Of<SystemClock>(), Transient.Of<Stamp>(), Transient.Of<Rope>(), Transient.From(() => TimeSpan.Zero),
            Singleton.From((SystemClock clock, Stamp stamp, Rope rope, TimeSpan late) => new object()),
        ];

        Assert.Equal(
            ["FunctionTests.Stamp", "TimeSpan"],
            wiring.Check().Notes.Where(fault => fault.Code == "JV303").Select(fault => fault.Candidates[1]));
        Assert.Contains(
            wiring.Check().Notes, fault => fault.Remarks[0].EndsWith("keeps At, Label from then on.", StringComparison.Ordinal));
        Assert.Equal("JV303", Assert.Single(wiring.Check().Warnings).Code);
    }

    [Fact]
    public void A_lazy_value_does_not_remember_a_failure()
    {
        int tries = 0;
        using Container container =
            new Wiring { Singleton.From(() => ++tries == 1 ? throw new InvalidOperationException() : new SystemClock()) }.Build();
        Lazy<SystemClock> clock = container.Resolve<Lazy<SystemClock>>();

        Assert.Throws<ConstructionException>(() => clock.Value);
        Assert.NotNull(clock.Value);
    }

    [Fact]
    public async Task Fresh_scopes_run_with_and_without_results_and_end_what_they_created()
    {
        List<string> ended = [];
        using Container container = new Wiring { Singleton.Value(ended), Scoped.Of<Slip>(), Scoped.Incoming<Caller>() }.Build();
        FreshScope<Slip> slips = container.Resolve<FreshScope<Slip>>();
        Incoming mira = Incoming.Value(new Caller("Mira"));

        slips.Run(slip => slip.Note("1"), mira);
        int two = slips.Run(slip => slip.Note("2"), mira);
        await slips.RunAsync(async slip => { await Task.Yield(); slip.Note("3"); }, [mira], Token);
        int four = await slips.RunAsync(async slip => { await Task.Yield(); return slip.Note("4"); }, [mira], Token);
        await slips.RunAsync(slip => new ValueTask(Task.FromResult(slip.Note("5"))), [mira], Token);
        int six = await slips.RunAsync(slip => ValueTask.FromResult(slip.Note("6")), [mira], Token);

        Assert.Equal((2, 4, 6), (two, four, six));
        Assert.Equal(["1 by Mira", "2 by Mira", "3 by Mira", "4 by Mira", "5 by Mira", "6 by Mira"], ended);
    }

    [Fact]
    public async Task A_fresh_scope_passes_a_token_to_the_factories_of_its_scope()
    {
        List<CancellationToken> given = [];
        using Container container = new Wiring
        {
            Scoped.FromAsync((CancellationToken token) =>
            {
                given.Add(token);
                return Task.FromResult(new LedgerFile("x"));
            }),
        }.Build();
        FreshScope<LedgerFile> files = container.Resolve<FreshScope<LedgerFile>>();
        using CancellationTokenSource source = new();

        await files.RunAsync(async _ => await Task.Yield(), cancellationToken: source.Token);
        string folder = await files.RunAsync(
            async file =>
            {
                await Task.Yield();
                return file.Folder;
            },
            cancellationToken: source.Token);
        await files.RunAsync(_ => ValueTask.CompletedTask, cancellationToken: source.Token);
        int length = await files.RunAsync(file => ValueTask.FromResult(file.Folder.Length), cancellationToken: source.Token);

        Assert.Equal(("x", 1), (folder, length));
        Assert.Equal(Enumerable.Repeat(source.Token, 4), given);
    }

    [Fact]
    public async Task A_fresh_scope_ends_when_the_work_throws()
    {
        List<string> ended = [];
        using Container container = new Wiring { Singleton.Value(ended), Scoped.Of<Slip>(), Scoped.Incoming<Caller>() }.Build();
        FreshScope<Slip> slips = container.Resolve<FreshScope<Slip>>();

        await Assert.ThrowsAsync<InvalidOperationException>(() => slips.RunAsync(
            Task (slip) =>
            {
                slip.Note("sunk");
                throw new InvalidOperationException();
            },
            [Incoming.Value(new Caller("Odd"))],
            TestContext.Current.CancellationToken));

        Assert.Equal(["sunk by Odd"], ended);
    }

    [Fact]
    public async Task A_fresh_scope_for_a_unit_test_needs_no_container()
    {
        SystemClock clock = new();
        FreshScope<SystemClock> fresh = new(() => clock);

        Assert.Same(clock, fresh.Run(given => given));
        Assert.Same(clock, await fresh.RunAsync(Task.FromResult, cancellationToken: TestContext.Current.CancellationToken));
    }

    public sealed class Chain(int length, Func<int, Chain> make)
    {
        private readonly Chain? _next = length > 0 ? make(length - 1) : null;

        public override string ToString() => $"{length}{_next}";
    }

    public interface ITicket;

    public sealed class PlainTicket(string vessel) : ITicket
    {
        public string Vessel { get; } = vessel;
    }

    public sealed class Stamped(ITicket inner) : ITicket
    {
        public ITicket Inner { get; } = inner;
    }

    public sealed class Ticket(int berth, IClock clock, string vessel, int nights)
    {
        public int Berth { get; } = berth;

        public IClock Clock { get; } = clock;

        public string Vessel { get; } = vessel;

        public int Nights { get; } = nights;
    }

    public sealed class Office(Func<string, int, int, Ticket> print)
    {
        public Func<string, int, int, Ticket> Print { get; } = print;
    }

    public sealed class Sealed
    {
        private Sealed()
        {
        }
    }

    public sealed class Sum(int number, string text = "", bool? flag = null, long? more = null)
    {
        public string Text { get; } = $"{number}{text}{flag}{more}";
    }

    public sealed class Rope : IDisposable
    {
        public void Dispose()
        {
        }
    }

    public sealed class Slip(List<string> ended, Caller caller) : IDisposable
    {
        private string _text = "";

        public int Note(string text)
        {
            _text = text;
            return int.TryParse(text, out int number) ? number : 0;
        }

        public void Dispose() => ended.Add($"{_text} by {caller.Name}");
    }

    public sealed class Stamp(IClock? clock = null)
    {
        private readonly IClock? _clock = clock;

        public DateTime At { get; } = new(2026, 6, 1);

        public string Label { get; set; } = "";

        public bool HasClock => _clock is not null;
    }
}
