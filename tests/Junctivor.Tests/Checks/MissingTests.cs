using Junctivor.Checks;

namespace Junctivor.Tests.Checks;

public class MissingTests
{
    [Fact]
    public void A_service_that_is_not_registered_is_missing()
    {
        Wiring wiring = [Transient.Of<BerthPlanner>()];

        Fault fault = Assert.Single(wiring.Check().Errors);

        Assert.Equal("JV101", fault.Code);
        Assert.Contains("BerthPlanner requires IBerthLedger", fault.Summary, StringComparison.Ordinal);
        Assert.Equal("ledger", fault.Path[1].Parameter);
        Assert.Equal("Transient.Of<IBerthLedger, MemoryLedger>()", fault.Fixes[0].Code);
    }

    [Fact]
    public void All_who_request_the_same_stand_in_one_fault()
    {
        Wiring wiring = [Transient.Of<BerthPlanner>(), Transient.Of<BookingDesk>()];

        Fault fault = Assert.Single(wiring.Check().Errors);

        Assert.Equal(["BerthPlanner", "BookingDesk"], fault.Candidates);
        Assert.Contains("2 places", fault.Summary, StringComparison.Ordinal);
    }

    [Fact]
    public void A_class_registered_only_as_itself_is_offered_with_the_ending_to_add()
    {
        Wiring wiring = [Scoped.Of<MemoryLedger>(), Transient.Of<BerthPlanner>()];

        Fault fault = Assert.Single(wiring.Check().Errors);

        Assert.Contains("only as itself", Assert.Single(fault.Remarks), StringComparison.Ordinal);
        Assert.Equal(".Also<IBerthLedger>()", fault.Fixes[0].Code);
        Assert.StartsWith("add to the registration of MemoryLedger at MissingTests.cs:", fault.Fixes[0].Advice, StringComparison.Ordinal);
        Assert.Empty(new Wiring { Scoped.Of<MemoryLedger>().Also<IBerthLedger>(), Transient.Of<BerthPlanner>() }.Check().Errors);
    }

    [Fact]
    public void A_name_two_letters_off_is_offered()
    {
        Wiring wiring = [Singleton.Of<IBerthLegder, Misspelt>(), Transient.Of<BerthPlanner>()];

        Fault fault = Assert.Single(wiring.Check().Errors);

        Assert.Contains(fault.Remarks, remark => remark.StartsWith("MissingTests.IBerthLegder is registered", StringComparison.Ordinal));
    }

    [Fact]
    public void Another_closed_generic_is_offered()
    {
        Wiring wiring = [Singleton.Of<IArchive<int>, NumberArchive>(), Transient.Of<Archivist>()];

        Fault fault = Assert.Single(wiring.Check().Errors);

        Assert.Contains("MissingTests.IArchive<int> is registered", Assert.Single(fault.Remarks), StringComparison.Ordinal);
        Assert.Contains("IArchive<string>", fault.Summary, StringComparison.Ordinal);
    }

    [Fact]
    public void Two_types_of_one_short_name_are_distinguished_by_their_full_names()
    {
        Wiring wiring = [Singleton.Of<Elsewhere.IBerthLedger, Elsewhere.Ledger>(), Transient.Of<BerthPlanner>()];

        Fault fault = Assert.Single(wiring.Check().Errors);

        Assert.Contains(fault.Remarks, remark => remark.Contains("Elsewhere.IBerthLedger is registered", StringComparison.Ordinal)
            && remark.EndsWith("but is not Junctivor.Tests.IBerthLedger.", StringComparison.Ordinal));
    }

    [Fact]
    public void A_factory_asks_as_a_constructor_does()
    {
        Wiring wiring = [Singleton.From((HarbourSettings settings) => new LedgerFile(settings.DataFolder))];

        Fault fault = Assert.Single(wiring.Check().Errors);

        Assert.Equal("JV101", fault.Code);
        Assert.Equal("settings", fault.Path[1].Parameter);
    }

    [Fact]
    public void Optional_parameters_use_their_default()
    {
        Wiring wiring = [Transient.Of<Undemanding>()];

        Assert.True(wiring.Check().IsSound);
        using Container container = wiring.Build();
        Undemanding made = container.Resolve<Undemanding>();
        Assert.Null(made.Clock);
        Assert.Equal(7, made.Berths);
        Assert.Equal(TimeSpan.Zero, made.Grace);
        Assert.Null(made.Quay);
    }

    [Fact]
    public void A_type_parameter_without_a_question_mark_is_not_optional()
    {
        Wiring plain = [Transient.Of<Crate<IClock>>()];
        Wiring optional = [Transient.Of<OptionalCrate<IClock>>()];

        Assert.Equal("JV101", Assert.Single(plain.Check().Errors).Code);
        Assert.True(optional.Check().IsSound);
    }

    [Fact]
    public void Optional_parameters_are_met_where_somebody_registers_them()
    {
        using Container container =
            new Wiring { Transient.Of<Undemanding>(), Singleton.Of<IClock, SystemClock>(), Singleton.Value(4) }.Build();

        Undemanding made = container.Resolve<Undemanding>();

        Assert.IsType<SystemClock>(made.Clock);
        Assert.Equal(4, made.Berths);
        Assert.Equal(4, made.Quay);
    }

    public sealed record Crate<T>(T Content);

    public sealed record OptionalCrate<T>(T? Content);

    public interface IBerthLegder;

    public sealed class Misspelt : IBerthLegder;

    public interface IArchive<T>;

    public sealed class NumberArchive : IArchive<int>;

    public sealed class Archivist(IArchive<string> archive)
    {
        public object Archive { get; } = archive;
    }

    public sealed class Undemanding(IClock? clock, int berths = 7, TimeSpan grace = default, int? quay = null)
    {
        public IClock? Clock { get; } = clock;

        public int Berths { get; } = berths;

        public TimeSpan Grace { get; } = grace;

        public int? Quay { get; } = quay;
    }

    private static class Elsewhere
    {
        public interface IBerthLedger;

        public sealed class Ledger : IBerthLedger;
    }
}
