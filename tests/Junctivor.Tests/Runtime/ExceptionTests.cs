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

        Assert.Equal("JV101", Assert.IsType<WiringException>(Record.Exception(() => faulty.Build())).Report.Errors[0].Code);
        Assert.Equal(
            "JV101", Assert.IsType<ResolveException>(Assert.ThrowsAny<JunctivorException>(() => container.Resolve<IClock>())).Fault.Code);
    }

    [Fact]
    public void A_registration_with_a_line_and_no_file_fails_with_its_code()
    {
        using Container container = new Wiring { Scoped.Of<SystemClock>("", 3) }.Build();

        Assert.Equal("JV302", Assert.Throws<ResolveException>(() => container.Resolve<SystemClock>()).Fault.Code);
    }

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void An_exception_passes_thousands_of_nested_scopes(bool isDisposalFailing)
    {
        const int Depth = 3_000;
        int left = Depth;
        int disposed = 0;
        using Container container = new Wiring
        {
            Scoped.From(() => new Ending(() =>
            {
                disposed++;
                if (isDisposalFailing)
                {
                    throw new TimeoutException();
                }
            })),
            Transient.From((FreshScope<Dive> deeper, Ending ending) =>
            {
                if (--left == 0)
                {
                    throw new FormatException("the bottom");
                }

                deeper.Run(_ => { });
                return new Dive(ending);
            }),
        }.Build();
        using Scope scope = container.StartScope();

        Exception passed = Assert.ThrowsAny<Exception>(() => scope.Resolve<Dive>());

        Assert.Contains("the bottom", Innermost(passed).Message, StringComparison.Ordinal);
        Assert.Equal(Depth - 1, disposed);
        isDisposalFailing = false;
        Assert.Equal(0, left);
    }

    [Fact]
    public void The_message_of_a_failure_within_thousands_of_others_can_be_read()
    {
        int left = 3_000;
        using Container container = new Wiring
        {
            Transient.From((FreshScope<Dive> deeper, Ending ending) =>
            {
                if (--left == 0)
                {
                    throw new FormatException("the bottom");
                }

                deeper.RunAsync(_ => Task.CompletedTask).Wait();
                return new Dive(ending);
            }),
            Singleton.Value(new Ending(() => { })),
        }.Build();
        Exception? thrown = null;
        string? message = null;

        WithStack(64, () => thrown = Record.Exception(container.Resolve<Dive>));
        WithStack(1, () => message = thrown?.Message);

        Assert.Equal(0, left);
        Assert.StartsWith("Dive could not be created: AggregateException: ", message, StringComparison.Ordinal);
        Assert.Contains("…", message, StringComparison.Ordinal);
    }

    private static void WithStack(int megabytes, Action work)
    {
        Thread thread = new(() => work(), megabytes * 1024 * 1024);
        thread.Start();
        thread.Join();
    }

    private static Exception Innermost(Exception failure) => failure switch
    {
        AggregateException several => Innermost(several.InnerExceptions[0]),
        { InnerException: { } inner } => Innermost(inner),
        _ => failure,
    };

    private sealed record Dive(Ending Ending);

    private sealed class Ending(Action end) : IDisposable
    {
        public void Dispose() => end();
    }
}
