namespace Junctivor.Tests.Runtime;

public class ExceptionTests
{
    [Fact]
    public void Every_exception_of_the_library_has_one_base_class()
    {
        IReadOnlyList<Type> exceptions = [.. typeof(Wiring).Assembly.GetExportedTypes()
            .Where(type => typeof(Exception).IsAssignableFrom(type) && !type.IsAbstract)];

        Assert.Contains(typeof(WiringException), exceptions);
        Assert.All(exceptions, type => Assert.True(typeof(JunctivorException).IsAssignableFrom(type), type.Name));
    }

    [Fact]
    public void Wiring_faults_and_failed_requests_are_caught_alike()
    {
        Wiring faulty = [Transient.Of<BerthPlanner>()];
        using Container container = new Wiring().Build();

        Assert.Equal("JV101", Assert.IsType<WiringException>(Record.Exception(() => faulty.Build())).Report.Faults[0].Code);
        Assert.Equal(
            "JV101", Assert.IsType<ResolveException>(Assert.ThrowsAny<JunctivorException>(() => container.Resolve<IClock>())).Fault.Code);
    }
}
