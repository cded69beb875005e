using Junctivor.Checks;

namespace Junctivor.Tests.Reliability;

/// <summary>What the check calls sound never fails for a reason that the check could know; and what is requested in any form is
/// answered.</summary>
public class SoundnessTests
{
    private static readonly ScopeLevel Shift = new("duty shift");
    private static readonly ScopeLevel Visit = new("visit", within: Shift);
    private static readonly ScopeLevel Survey = new("survey");

    [Fact]
    public void A_dictionary_passes_over_an_open_generic_that_cannot_be_closed_so()
    {
        Wiring wiring = [Scoped.Of(typeof(IArchive<>), typeof(EndingArchive<>)).Marked("paper"), Scoped.Of<Reader>()];
        using Container container = wiring.Build();
        using Scope scope = container.StartScope();

        Assert.Empty(scope.Resolve<Reader>().All);
        Assert.Equal("JV505", Assert.Single(wiring.Check().All).Code);
        Assert.Single(scope.Resolve<IReadOnlyDictionary<string, IArchive<MemoryStream>>>());
    }

    [Fact]
    public void A_dictionary_passes_over_what_is_only_for_another()
    {
        Wiring wiring = [Singleton.Of<IHorn, Horn>().Marked("fog").OnlyFor<Bridge>(), Singleton.Of<IHorn, Horn>().Marked("air"),
            Singleton.Of<Bridge>(), Singleton.Of<Board>()];
        using Container container = wiring.Build();

        Assert.Equal(["air"], container.Resolve<Board>().All.Keys);
        Assert.Equal(["fog", "air"], container.Resolve<Bridge>().All.Keys);
        Assert.Equal(["air"], container.Resolve<IReadOnlyDictionary<string, IHorn>>().Keys);
    }

    [Fact]
    public void A_fresh_scope_that_can_never_be_in_a_scope_of_the_level_is_a_fault()
    {
        Fault fault = Assert.Single(new Wiring { Shift.Of<Roster>(), Transient.Of<Planner>(), Singleton.Of<Night>() }.Check().Errors);

        Assert.Equal("JV305", fault.Code);
        Assert.Equal(
            "SoundnessTests.Night (singleton) starts a fresh scope that requires SoundnessTests.Roster, which lives in a scope of the "
                + "level duty shift", fault.Summary);
        Assert.Equal([null, "Planner", "Roster"], fault.Path.Select(step => step.Parameter));
        Assert.Equal("Container Planner", fault.Fixes[0].Code);
    }

    [Fact]
    public void A_fresh_scope_within_the_level_or_around_it_is_distinguished()
    {
        Assert.Empty(new Wiring { Shift.Of<Roster>(), Shift.Of<Night>(), Shift.Of<Planner>(), Visit.Of<Guide>() }.Check().Errors);
        Assert.Equal("JV305", Assert.Single(new Wiring { Visit.Of<Roster>(), Shift.Of<Guide>() }.Check().Errors).Code);
        Assert.Equal("JV305", Assert.Single(new Wiring { Survey.Of<Roster>(), Shift.Of<Guide>() }.Check().Errors).Code);
        Assert.Equal("JV305", Assert.Single(new Wiring { Shift.Incoming<Roster>(), Singleton.Of<Guide>() }.Check().Errors).Code);
        Assert.Equal(
            "JV305",
            Assert.Single(
                new Wiring
                {
                    Shift.Of<Roster>(), Scoped.Of<Guide>(), Singleton.From((FreshScope<Guide> guides) => new Night(null!)),
                }.Check().Errors).Code);
    }

    [Fact]
    public void Constants_of_native_integers_are_passed()
    {
        using Container container = new Wiring { Transient.Of<Depths>() }.Build();

        Assert.Equal((-5, 7u), (container.Resolve<Depths>().Least, container.Resolve<Depths>().Most));
    }

    [Fact]
    public void A_marked_indexer_is_a_fault()
    {
        Fault fault = Assert.Single(new Wiring { Transient.Of<Indexed>(), Singleton.Of<IClock, SystemClock>() }.Check().Errors);

        Assert.Equal("JV102", fault.Code);
        Assert.Contains("is an indexer", fault.Summary, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(typeof(IEnumerable<>))]
    [InlineData(typeof(IReadOnlyDictionary<,>))]
    [InlineData(typeof(Func<>))]
    [InlineData(typeof(Func<,>))]
    [InlineData(typeof(Lazy<>))]
    [InlineData(typeof(FreshScope<>))]
    [InlineData(typeof(IArchive<>))]
    [InlineData(typeof(void))]
    [InlineData(typeof(int*))]
    [InlineData(typeof(Span<int>))]
    [InlineData(typeof(List<>))]
    public void Types_that_cannot_be_services_are_refused(Type type)
    {
        foreach (Type asked in new[] { type, type.MakeByRefType() }.Where(each => type != typeof(Span<int>) || each == type))
        {
            using Container container = new Wiring { Singleton.Of(typeof(IArchive<>), typeof(Archive<>)) }.Build();

            Assert.False(container.TryResolve(asked, out _));
            Assert.Null(container.AsServiceProvider().GetService(asked));
            Assert.Throws<ResolveException>(() => container.Resolve(asked));
        }
    }

    [Fact]
    public void Type_parameters_are_not_registered()
    {
        using Container container = new Wiring { Singleton.Of(typeof(IArchive<>), typeof(Archive<>)) }.Build();
        Type parameter = typeof(IArchive<>).GetGenericArguments()[0];

        Assert.All(
            [parameter, parameter.MakeArrayType(), typeof(Lazy<>).MakeGenericType(parameter)],
            type => Assert.False(container.TryResolve(type, out _)));
    }

    [Theory]
    [InlineData(15)]
    [InlineData(17)]
    [InlineData(40)]
    public void Generics_may_be_nested_as_deep_as_somebody_writes_them(int depth)
    {
        Type nested = typeof(int);
        for (int level = 1; level < depth; level++)
        {
            nested = typeof(List<>).MakeGenericType(nested);
        }

        Type wanted = typeof(IArchive<>).MakeGenericType(nested);
        using Container container =
            new Wiring
            {
                Singleton.Of(typeof(IArchive<>), typeof(Archive<>)), Singleton.Of(typeof(Holder<>).MakeGenericType(wanted)),
            }.Build();

        Assert.IsAssignableFrom(wanted, container.Resolve(wanted));
        Assert.Single((IEnumerable<object>)container.Resolve(typeof(IReadOnlyList<>).MakeGenericType(wanted)));
        Assert.NotNull(container.Resolve(typeof(Holder<>).MakeGenericType(wanted)));
    }

    [Theory]
    [InlineData(typeof(Growing<>))]
    [InlineData(typeof(GrowingList<>))]
    public void A_generic_that_requests_itself_without_end_says_so(Type growing)
    {
        Fault fault =
            Assert.Single(new Wiring { Transient.Of(typeof(IArchive<>), growing), Transient.Of<Holder<IArchive<int>>>() }.Check().Errors);

        Assert.Equal("JV206", fault.Code);
        Assert.Contains("Each closed type requires a larger one, without end", Assert.Single(fault.Remarks), StringComparison.Ordinal);
    }

    public interface IArchive<T>;

    public sealed class Archive<T> : IArchive<T>;

    public sealed class EndingArchive<T> : IArchive<T>
        where T : class, IDisposable;

    public sealed class Growing<T>(IArchive<List<T>> larger) : IArchive<T>
    {
        public IArchive<List<T>> Larger { get; } = larger;
    }

    public sealed class GrowingList<T>(IReadOnlyList<IArchive<List<T>>> larger) : IArchive<T>
    {
        public IReadOnlyList<IArchive<List<T>>> Larger { get; } = larger;
    }

    public sealed record Holder<T>(T Held);

    public sealed record Reader(IReadOnlyDictionary<string, IArchive<string>> All);

    public interface IHorn;

    public sealed class Horn : IHorn;

    public sealed record Bridge(IReadOnlyDictionary<string, IHorn> All);

    public sealed record Board(IReadOnlyDictionary<string, IHorn> All);

    public sealed class Roster;

    public sealed record Planner(FreshScope<Roster> Roster);

    public sealed record Night(Planner Planner);

    public sealed record Guide(FreshScope<Roster> Roster);

    public sealed record Depths(nint Least = -5, nuint Most = 7);

    public sealed class Indexed
    {
        [Inject]
        public IClock? this[int hour]
        {
            set => _ = value;
        }
    }
}
