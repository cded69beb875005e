namespace Junctivor.Hosting.Tests;

/// <summary>A program without a host: its exit code, and what it writes where.</summary>
[Collection("programs")]
public class ProgramTests
{
    private static CancellationToken Token => TestContext.Current.CancellationToken;

    [Fact]
    public void The_package_brings_no_web_server()
    {
        Assert.DoesNotContain(
            typeof(WiredProgram).Assembly.GetReferencedAssemblies(),
            assembly => assembly.Name!.Contains("AspNetCore", StringComparison.Ordinal));
    }

    [Fact]
    public async Task Work_runs_in_a_scope_between_the_warm_up_and_the_wind_down()
    {
        List<string> log = [];
        Wiring wiring =
        [
            Singleton.Of<Quay>().WarmUp((_, _) => Add(log, "warm")).WindDown((_, _) => Add(log, "cold")),
            Scoped.From((Quay _) => new Run(log)),
        ];
        await using Container container = wiring.Build();
        StringWriter errors = new();

        int done = await container.RunWiredAsync<Run>((run, _) => run.WorkAsync(), new ProgramOptions { Errors = errors });
        int told = await container.RunWiredAsync<Run>(async (run, _) =>
        {
            await run.WorkAsync();
            return 7;
        });

        Assert.Equal((0, 7, ""), (done, told, errors.ToString()));
        Assert.Equal(["warm", "work", "closed", "cold", "warm", "work", "closed", "cold"], log);
    }

    [Fact]
    public async Task Work_that_throws_is_written_and_everything_winds_down()
    {
        List<string> log = [];
        Wiring wiring = [Singleton.Of<Quay>().WindDown((_, _) => Add(log, "cold"))];
        await using Container container = wiring.Build();
        StringWriter errors = new();

        int code = await container.RunWiredAsync<Quay>(
            Task (_, _) => throw new TimeoutException("no tide"), new ProgramOptions { Errors = errors });

        Assert.Equal(1, code);
        Assert.Contains("TimeoutException: no tide", errors.ToString(), StringComparison.Ordinal);
        Assert.Equal(["cold"], log);
    }

    [Fact]
    public async Task Work_that_nobody_registers_is_told_with_the_call_of_the_program()
    {
        Wiring wiring = [Singleton.Of<Quay>()];
        await using Container container = wiring.Build();
        StringWriter errors = new();

        int code = await container.RunWiredAsync<Uri>((_, _) => Task.CompletedTask, new ProgramOptions { Errors = errors });

        Assert.Equal(1, code);
        Assert.StartsWith("JV101 missing: Uri cannot be resolved: it is not registered", errors.ToString(), StringComparison.Ordinal);
        Assert.DoesNotContain("WiredProgram.cs", errors.ToString().Split("   at ")[0], StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_warm_up_that_fails_is_written_and_nothing_runs()
    {
        Wiring wiring = [Singleton.Of<Quay>().WarmUp((_, _) => throw new TimeoutException("no tide"))];
        await using Container container = wiring.Build();
        StringWriter errors = new();
        bool hasRun = false;

        int code = await container.RunWiredAsync<Quay>((_, _) => Task.FromResult(hasRun = true), new ProgramOptions { Errors = errors });

        Assert.Equal((1, false), (code, hasRun));
        Assert.StartsWith("The warm-up of Quay failed: TimeoutException: no tide", errors.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Background_work_that_fails_ends_the_program_with_a_failure()
    {
        Wiring wiring = [Singleton.Of<Quay>().Background((_, _) => throw new TimeoutException("no tide"))];
        await using Container container = wiring.Build();
        StringWriter errors = new();

        int code = await container.RunWiredAsync(new ProgramOptions { Errors = errors });

        Assert.Equal(1, code);
        Assert.StartsWith("The background work of Quay failed: TimeoutException: no tide", errors.ToString(), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(false, 0)]
    [InlineData(true, 143)]
    public async Task Told_to_stop_a_worker_is_done_and_work_is_cancelled(bool hasWork, int expected)
    {
        Wiring wiring = [Singleton.Of<Quay>().Background((_, stop) => Task.Delay(Timeout.Infinite, stop))];
        await using Container container = wiring.Build();
        using CancellationTokenSource stop = CancellationTokenSource.CreateLinkedTokenSource(Token);
        StringWriter errors = new();
        ProgramOptions options = new() { Errors = errors, Stop = stop.Token };

        Task<int> running = hasWork
            ? container.RunWiredAsync<Quay>((_, canceled) => Task.Delay(Timeout.Infinite, canceled), options)
            : container.RunWiredAsync(options);
        await stop.CancelAsync();

        Assert.Equal((expected, ""), (await running, errors.ToString()));
    }

    [Fact]
    public async Task Warnings_are_written_at_the_start()
    {
        Wiring wiring = [Singleton.Of<Quay>().ResolvedDirectly(), Singleton.From(() => new Uri("quay://1"))];
        await using Container container = wiring.Build();
        StringWriter errors = new();

        await container.RunWiredAsync<Quay>((_, _) => Task.CompletedTask, new ProgramOptions { Errors = errors });

        Assert.StartsWith("Warning JV501", errors.ToString(), StringComparison.Ordinal);
    }

    private static Task Add(List<string> log, string line)
    {
        log.Add(line);
        return Task.CompletedTask;
    }

    private sealed class Quay;

    private sealed class Run(List<string> log) : IDisposable
    {
        public Task WorkAsync() => Add(log, "work");

        public void Dispose() => log.Add("closed");
    }
}
