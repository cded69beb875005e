using Junctivor.Checks;

namespace Junctivor.Tests.Checks;

/// <summary>What is offered where a service is missing: the likeliest first, at most three, as code that can be pasted.</summary>
public class NearMissTests
{
    [Fact]
    public void An_unregistered_class_is_offered_with_what_it_needs_in_its_turn()
    {
        Fault fault = Missing([Scoped.Of<Desk<IBuoy>>()]);

        Assert.Equal(
            ["NearMissTests.Buoy implements it, but is not registered. Its dependency NearMissTests.Chain is not registered either."],
            fault.Remarks);
        Assert.Equal(
            "Scoped.Of<NearMissTests.IBuoy, NearMissTests.Buoy>(),\nScoped.Of<NearMissTests.Chain>()", fault.Fixes[0].Code);
    }

    [Fact]
    public void What_is_registered_comes_before_what_is_not_and_at_most_three_are_reported()
    {
        Fault fault =
            Missing([Singleton.Of<Red>(), Singleton.Of<Green>(), Singleton.Of<Blue>(), Singleton.Of<White>(),
                Transient.Of<Desk<ILight>>()]);

        Assert.Equal(3, fault.Remarks.Count);
        Assert.All(fault.Remarks, remark => Assert.Contains("only as itself", remark, StringComparison.Ordinal));
        Assert.All(fault.Fixes, fix => Assert.Equal(".Also<NearMissTests.ILight>()", fix.Code));
    }

    [Fact]
    public void What_decorates_the_service_is_not_offered_for_it() =>
        Assert.Empty(Missing([Transient.Of<Desk<IFlag>>()]).Remarks);

    [Fact]
    public void A_singleton_that_asks_is_offered_a_singleton_and_a_disposable_class_a_scope()
    {
        Assert.Equal("Singleton.Of<NearMissTests.IRope, NearMissTests.Rope>()", Missing([Singleton.Of<Desk<IRope>>()]).Fixes[0].Code);
        Assert.Equal("Scoped.Of<NearMissTests.IRope, NearMissTests.Rope>()", Missing([Transient.Of<Desk<IRope>>()]).Fixes[0].Code);
    }

    [Fact]
    public void An_open_generic_class_is_offered_as_it_would_be_registered()
    {
        Fault unregistered = Missing([Scoped.Of<Desk<IShelf<int>>>()]);
        Fault asItself = Missing([Scoped.Of(typeof(Shelf<>)), Scoped.Of<Desk<IShelf<int>>>()]);

        Assert.Equal("Scoped.Of(typeof(NearMissTests.IShelf<>), typeof(NearMissTests.Shelf<>))", unregistered.Fixes[0].Code);
        Assert.Equal(".Also(typeof(NearMissTests.IShelf<>))", asItself.Fixes[0].Code);
        Assert.True(new Wiring { Scoped.Of(typeof(Shelf<>)).Also(typeof(IShelf<>)), Scoped.Of<Desk<IShelf<int>>>() }.Check().IsSound);
    }

    [Fact]
    public void Of_other_marks_the_nearest_comes_first()
    {
        Fault fault =
            Missing([Singleton.Value(1).Marked("berths"), Singleton.Value(2).Marked("tons"),
                Transient.From(([Marked("ton")] int tons) => new object())]);

        Assert.Equal("[Marked(\"tons\")] int tons", Assert.Single(fault.Fixes).Code);
    }

    [Fact]
    public void An_unmarked_one_is_offered_the_mark_that_is_requested()
    {
        Fault fault = Missing([Singleton.Of<IClock, SystemClock>(), Transient.From(([Marked<North>] IClock clock) => new object())]);

        Assert.Equal(".Marked<NearMissTests.North>()", fault.Fixes[0].Code);
    }

    [Theory]
    [InlineData(typeof(List<IClock>), "IReadOnlyList<IClock> thing")]
    [InlineData(typeof(ICollection<IClock>), "IReadOnlyList<IClock> thing")]
    [InlineData(typeof(HashSet<IClock>), "IReadOnlyList<IClock> thing")]
    [InlineData(typeof(IDictionary<string, IClock>), "IReadOnlyDictionary<string, IClock> thing")]
    [InlineData(typeof(Task<IClock>), "IClock thing")]
    [InlineData(typeof(Func<int, int, int, int, int, IClock>), "Func<IClock> thing")]
    public void Another_form_of_something_registered_is_offered_in_the_form_that_is_created(Type asked, string offered)
    {
        Fault fault = Missing([Singleton.Of<IClock, SystemClock>(), Transient.Of(typeof(Desk<>).MakeGenericType(asked))]);

        Assert.Equal(offered, fault.Fixes[0].Code);
    }

    [Fact]
    public void A_list_that_was_registered_directly_is_not_one_of_its_elements()
    {
        Fault fault = Missing([Singleton.Value<IReadOnlyList<North>>([new North()]), Transient.Of<Desk<North>>()]);

        Assert.Contains(
            fault.Remarks, remark => remark.StartsWith("IReadOnlyList<NearMissTests.North> is registered at", StringComparison.Ordinal));
    }

    [Fact]
    public void A_plain_value_is_passed_put_into_settings_or_marked()
    {
        Fault fault = Missing([Transient.Of<Crane>()]);

        Assert.Equal([".Passing(\"tons\", …)", null, "Singleton.Value<int>(…).Marked(\"tons\")"], fault.Fixes.Select(fix => fix.Code));
        Assert.StartsWith(
            "add to the registration of NearMissTests.Crane at NearMissTests.cs:", fault.Fixes[0].Advice, StringComparison.Ordinal);
    }

    [Fact]
    public void Scope_container_and_cancellation_tokens_are_not_services()
    {
        Assert.Equal("Container thing", Missing([Singleton.Of<Desk<IServiceProvider>>()]).Fixes[0].Code);
        Assert.Equal("Scope thing", Missing([Scoped.Of<Desk<IServiceProvider>>()]).Fixes[0].Code);
        Assert.StartsWith(
            "take it as a method parameter", Missing([Scoped.Of<Desk<CancellationToken>>()]).Fixes[0].Advice, StringComparison.Ordinal);
        Assert.Equal(
            ["Singleton.Value(TimeProvider.System)"],
            Missing([Scoped.Of<Desk<TimeProvider>>()]).Fixes.Select(fix => fix.Code));
    }

    [Fact]
    public void A_class_of_plain_data_is_better_declared_than_registered()
    {
        Fault fault = Missing([Transient.Of<Desk<Settings>>()]);

        Assert.Equal(
            ["Singleton.Incoming<NearMissTests.Settings>()", "Singleton.Value<NearMissTests.Settings>(…)"],
            fault.Fixes.Select(fix => fix.Code));
    }

    [Fact]
    public void Forty_that_ask_are_one_fault()
    {
        Wiring wiring = [];
        for (int number = 0; number < 40; number++)
        {
            wiring.Add(Transient.From((IBerthLedger ledger) => new object()).Marked($"{number}"));
        }

        Fault fault = Missing(wiring);

        Assert.Contains("required in 40 places", fault.Summary, StringComparison.Ordinal);
        Assert.Contains(fault.Path, step => step.Name == "… and 32 more");
    }

    [Fact]
    public void A_name_is_found_among_thousands_whichever_of_its_letters_are_wrong()
    {
        Wiring wiring = [.. EmittedClasses.Chain(400).Select(type => Singleton.Of(type)), Singleton.Of<Lighthouse>(),
            Transient.Of<Desk<Elsewhere.Ligthouse>>()];

        Fault fault = Missing(wiring);

        Assert.Contains(fault.Remarks, remark => remark.StartsWith("NearMissTests.Lighthouse is registered", StringComparison.Ordinal));
    }

    [Fact]
    public void A_run_time_failure_offers_the_same()
    {
        using Container container = new Wiring { Singleton.Of<MemoryLedger>() }.Build();

        ResolveException thrown = Assert.Throws<ResolveException>(container.Resolve<IBerthLedger>);

        Assert.Equal(".Also<IBerthLedger>()", thrown.Fault.Fixes[0].Code);
        Assert.Equal(thrown.Fault.ToString(), thrown.Message);
        Assert.Same(thrown.Fault, Assert.Single(thrown.Report.All));
    }

    private static Fault Missing(Wiring wiring) => Assert.Single(wiring.Check().Errors, fault => fault.Code == "JV101");

    public interface IBuoy;

    public sealed record Buoy(Chain Chain) : IBuoy;

    public sealed record Chain;

    public interface ILight;

    public sealed class Red : ILight;

    public sealed class Green : ILight;

    public sealed class Blue : ILight;

    public sealed class White : ILight;

    public interface IFlag;

    public sealed record CountedFlag(IFlag Inner) : IFlag;

    public interface IRope;

    public sealed class Rope : IRope, IDisposable
    {
        public void Dispose()
        {
        }
    }

    public interface IShelf<T>;

    public sealed class Shelf<T> : IShelf<T>;

    public sealed class North;

    public sealed class Crane(int tons)
    {
        public int Tons { get; } = tons;
    }

    public sealed record Settings(string Folder);

    public sealed class Lighthouse;

    public sealed class Desk<T>(T thing)
    {
        public T Thing { get; } = thing;
    }

    private static class Elsewhere
    {
        public abstract class Ligthouse;
    }
}
