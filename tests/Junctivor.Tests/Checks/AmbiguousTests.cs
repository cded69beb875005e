using Junctivor.Checks;

namespace Junctivor.Tests.Checks;

public class AmbiguousTests
{
    [Fact]
    public void Two_clocks_and_one_required_is_ambiguous()
    {
        Wiring wiring =
        [
            Singleton.Of<IClock, SystemClock>(),
            Singleton.Of<IClock, TideClock>(),
            Transient.Of<Watch>(),
        ];

        Fault fault = Assert.Single(wiring.Check().Errors);

        Assert.Equal("JV202", fault.Code);
        Assert.Equal(["SystemClock", "TideClock"], fault.Candidates);
        Assert.Contains("clock: IClock", fault.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void Two_that_nobody_requires_one_of_do_no_harm_until_one_is_requested()
    {
        using Container container = new Wiring { Singleton.Of<IClock, SystemClock>(), Singleton.Of<IClock, TideClock>() }.Build();

        ResolveException thrown = Assert.Throws<ResolveException>(() => container.Resolve<IClock>());

        Assert.Equal("JV202", Assert.Single(thrown.Report.Errors).Code);
    }

    [Fact]
    public void The_same_registration_twice_counts_once()
    {
        Registration<SystemClock> shared = Singleton.Of<IClock, SystemClock>();
        Wiring module = [shared, Transient.Of<Watch>()];
        Wiring wiring = [shared, .. module];

        Assert.True(wiring.Check().IsSound);
    }

    public sealed class Watch(IClock clock)
    {
        public IClock Clock { get; } = clock;
    }
}
