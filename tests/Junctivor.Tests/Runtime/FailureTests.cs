using Junctivor.Checks;

namespace Junctivor.Tests.Runtime;

public class FailureTests
{
    private readonly List<string> _ended = [];

    [Fact]
    public void A_constructor_may_throw_once_and_not_again()
    {
        int tries = 0;
        using Container container = new Wiring
        {
            Singleton.From(() => ++tries == 1 ? throw new InvalidOperationException("low tide") : new SystemClock()),
        }.Build();

        Assert.Throws<ConstructionException>(container.Resolve<SystemClock>);

        Assert.NotNull(container.Resolve<SystemClock>());
        Assert.Equal(2, tries);
    }

    [Fact]
    public void The_exception_shows_the_path_and_carries_the_users_own()
    {
        using Container container = new Wiring
        {
            Singleton.Of<Outermost>(),
            Transient.Of<Between>(),
            Singleton.Of<Sinking>(),
        }.Build();

        ConstructionException thrown = Assert.Throws<ConstructionException>(container.Resolve<Outermost>);

        Assert.Equal(["FailureTests.Outermost", "FailureTests.Between", "FailureTests.Sinking"], thrown.Path.Select(step => step.Name));
        Assert.Equal([null, "between", "sinking"], thrown.Path.Select(step => step.Parameter));
        Assert.Equal("sprung a leak", Assert.IsType<InvalidOperationException>(thrown.InnerException).Message);
        Assert.Contains("FailureTests.cs", thrown.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void What_was_created_for_it_is_disposed_and_what_is_shared_stays()
    {
        Container container = new Wiring
        {
            Singleton.Value(_ended),
            Singleton.Of<Quay>(),
            Transient.Of<Rope>(),
            Transient.From(
                (Quay quay, Rope rope, Rope second) => quay is null ? new Between(null!) : throw new InvalidOperationException("torn")),
        }.Build();

        Assert.Throws<ConstructionException>(container.Resolve<Between>);
        Assert.Equal(["rope", "rope"], _ended);

        container.Dispose();
        Assert.Equal(["rope", "rope", "quay"], _ended);
    }

    [Fact]
    public void Failures_of_disposal_are_reported_beside_the_users_exception()
    {
        using Container container = new Wiring
        {
            Singleton.Value(_ended),
            Transient.Of<Rope>(),
            Transient.Of<DisposalTests.Failing>(),
            Transient.From(Between (Rope rope, DisposalTests.Failing failing) => throw new InvalidOperationException("torn")),
        }.Build();

        ConstructionException thrown = Assert.Throws<ConstructionException>(container.Resolve<Between>);

        Assert.Equal("torn", thrown.InnerException!.Message);
        Assert.Equal("first", Assert.Single(thrown.DisposalFailures).Message);
        Assert.Equal(["rope"], _ended);
    }

    [Fact]
    public void User_code_that_resolves_in_its_turn_adds_to_the_path()
    {
        Lazy<Sinking>? later = null;
        using Container container = new Wiring
        {
            Singleton.Of<Sinking>(),
            Singleton.From((Lazy<Sinking> sinking) => new Between((later = sinking).Value)),
            Singleton.Of<Outermost>(),
        }.Build();

        ConstructionException thrown = Assert.Throws<ConstructionException>(container.Resolve<Outermost>);

        Assert.Equal(["FailureTests.Outermost", "FailureTests.Between", "FailureTests.Sinking"], thrown.Path.Select(step => step.Name));
        Assert.IsType<InvalidOperationException>(thrown.InnerException);
        Assert.Throws<ConstructionException>(() => later!.Value);
    }

    [Fact]
    public void A_cycle_that_only_user_code_closes_is_found_when_it_closes()
    {
        using Container container = new Wiring
        {
            Singleton.From((Lazy<Outermost> outermost) => new Between(outermost.Value.Sinking)),
            Singleton.Of<Outermost>(),
        }.Build();

        ResolveException thrown = Assert.Throws<ResolveException>(container.Resolve<Outermost>);

        Fault fault = Assert.Single(thrown.Report.Errors);
        Assert.Equal("JV201", fault.Code);
        Assert.Equal(["FailureTests.Outermost", "FailureTests.Between", "FailureTests.Outermost"], fault.Path.Select(step => step.Name));
    }

    [Fact]
    public void A_cycle_of_transients_in_user_code_does_not_overflow_the_stack()
    {
        using Container container = new Wiring { Transient.From((Func<Between> again) => again()) }.Build();

        ResolveException thrown = Assert.Throws<ResolveException>(container.Resolve<Between>);

        Assert.Equal("JV201", Assert.Single(thrown.Report.Errors).Code);
    }

    [Fact]
    public void A_factory_that_returns_null_is_named()
    {
        using Container container = new Wiring { Singleton.From(IClock () => null!) }.Build();

        ConstructionException thrown = Assert.Throws<ConstructionException>(container.Resolve<IClock>);

        Assert.Contains("returned null", thrown.Message, StringComparison.Ordinal);
    }

    public sealed class Outermost(Between between)
    {
        public Sinking Sinking { get; } = between.Sinking;
    }

    public sealed class Between(Sinking sinking)
    {
        public Sinking Sinking { get; } = sinking;
    }

    public sealed class Sinking
    {
        public Sinking() => throw new InvalidOperationException("sprung a leak");
    }

    public sealed class Quay(List<string> ended) : IDisposable
    {
        public void Dispose() => ended.Add("quay");
    }

    public sealed class Rope(List<string> ended) : IDisposable
    {
        public void Dispose() => ended.Add("rope");
    }
}
