namespace Junctivor.Tests.Building;

public class BranchTests
{
    private readonly List<string> _ended = [];

    [Fact]
    public void A_branch_shares_the_parents_singletons_also_those_first_created_through_it()
    {
        using Container parent = Office().Build();
        using Container branch = parent.Branch([Singleton.Of<TideClock>()]);

        Part madeInBranch = branch.Resolve<Part>("shared");

        Assert.Same(madeInBranch, parent.Resolve<Part>("shared"));
        Assert.NotNull(branch.Resolve<TideClock>());
        Assert.False(parent.TryResolve<TideClock>(out _));
    }

    [Fact]
    public void Scoped_and_transient_services_see_what_the_branch_replaces()
    {
        using Container parent = Office().Build();
        using Container branch = parent.Branch([Singleton.Of<IClock, TideClock>().Replacing()]);
        using Scope inParent = parent.StartScope();
        using Scope inBranch = branch.StartScope();

        Assert.IsType<SystemClock>(inParent.Resolve<Desk>().Clock);
        Assert.IsType<TideClock>(inBranch.Resolve<Desk>().Clock);
        Assert.NotSame(inParent.Resolve<Desk>(), inBranch.Resolve<Desk>());
    }

    [Fact]
    public void Ending_a_branch_leaves_the_parent_whole()
    {
        Container parent = Office().Build();
        Container branch = parent.Branch([Singleton.From(() => new Part("branch", _ended)).Marked("own")]);
        branch.Resolve<Part>("own");
        Part shared = branch.Resolve<Part>("shared");

        branch.Dispose();
        Assert.Equal(["branch"], _ended);
        Assert.Same(shared, parent.Resolve<Part>("shared"));

        parent.Dispose();
        Assert.Equal(["branch", "shared"], _ended);
    }

    [Fact]
    public void Use_of_a_branch_throws_after_its_parent_is_disposed()
    {
        Container parent = Office().Build();
        Container branch = parent.Branch([]);
        Scope scope = branch.StartScope();

        parent.Dispose();

        Assert.Throws<ObjectDisposedException>(() => branch.Resolve<IClock>());
        Assert.Throws<ObjectDisposedException>(() => scope.Resolve<Desk>());
    }

    [Fact]
    public void The_parents_decorators_apply_and_a_branch_may_decorate_what_it_shares()
    {
        using Container parent = new Wiring { Singleton.Of<IClock, SystemClock>(), Decorator.Of<IClock, Case>() }.Build();
        using Container replacing = parent.Branch([Singleton.Of<IClock, TideClock>().Replacing()]);
        using Container decorating = parent.Branch([Decorator.Of<IClock, Cover>()]);

        Assert.IsType<TideClock>(Assert.IsType<Case>(replacing.Resolve<IClock>()).Inner);
        Assert.Same(parent.Resolve<IClock>(), Assert.IsType<Cover>(decorating.Resolve<IClock>()).Inner);
        Assert.NotSame(parent.Resolve<IClock>(), decorating.Resolve<IClock>());
    }

    [Fact]
    public void What_the_parents_singletons_will_not_see_is_a_warning()
    {
        using Container parent =
            new Wiring { Singleton.Of<IClock, SystemClock>(), Singleton.From((IClock clock) => Tuple.Create(clock)) }.Build();
        using Container branch = parent.Branch([Singleton.Of<IClock, TideClock>().Replacing()]);

        Assert.Equal("JV503", Assert.Single(branch.Report.Warnings).Code);
        Assert.IsType<SystemClock>(branch.Resolve<Tuple<IClock>>().Item1);
        Assert.IsType<TideClock>(branch.Resolve<IClock>());
    }

    [Fact]
    public void A_branch_is_checked_whole_and_takes_incoming_values_of_its_own()
    {
        using Container parent = new Wiring { Singleton.Incoming<HarbourSettings>() }.Build(Incoming.Value(new HarbourSettings("/parent")));

        Assert.Equal("JV105", Assert.Throws<WiringException>(() => parent.Branch([Singleton.Incoming<Caller>()])).Report.Errors[0].Code);
        using Container branch = parent.Branch([Singleton.Incoming<Caller>()], Incoming.Value(new Caller("Mira")));

        Assert.Equal(("/parent", "Mira"), (branch.Resolve<HarbourSettings>().DataFolder, branch.Resolve<Caller>().Name));
    }

    [Fact]
    public void Closings_of_the_parents_open_singletons_are_shared()
    {
        using Container parent =
            new Wiring { Singleton.Of(typeof(Registering.GenericTests.IArchive<>), typeof(Registering.GenericTests.Shelf<>)) }.Build();
        using Container branch = parent.Branch([]);

        Assert.Same(branch.Resolve<Registering.GenericTests.IArchive<int>>(), parent.Resolve<Registering.GenericTests.IArchive<int>>());
    }

    private Wiring Office() =>
    [
        Singleton.Of<IClock, SystemClock>(),
        Singleton.From(() => new Part("shared", _ended)).Marked("shared"),
        Scoped.Of<Desk>(),
    ];

    public sealed class Part(string name, List<string> ended) : IDisposable
    {
        public void Dispose() => ended.Add(name);
    }

    public sealed class Desk(IClock clock)
    {
        public IClock Clock { get; } = clock;
    }

    public sealed class Case(IClock inner) : IClock
    {
        public IClock Inner { get; } = inner;
    }

    public sealed class Cover(IClock inner) : IClock
    {
        public IClock Inner { get; } = inner;
    }
}
