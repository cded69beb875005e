using Microsoft.Extensions.Hosting;
using Microsoft.Extensions.Logging;

namespace Junctivor.Hosting.Tests;

/// <summary>A host without a web server.</summary>
public class HostTests
{
    private static CancellationToken Token => TestContext.Current.CancellationToken;

    [Fact]
    public async Task A_generic_host_runs_between_the_warm_up_and_the_wind_down()
    {
        List<string> log = [];
        Wiring wiring =
        [
            .. HostWiring.Logging(),
            Singleton.Of<Clerk>().WarmUp((_, _) => Add(log, "warm")).WindDown((_, _) => Add(log, "cold")),
        ];
        using IHost host = new HostBuilder().Build();
        await using Container container = wiring.Build(Incoming.FromHost(host.Services));

        Task running = host.RunWiredAsync(container);
        IHostApplicationLifetime lifetime = (IHostApplicationLifetime)host.Services.GetService(typeof(IHostApplicationLifetime))!;
        lifetime.ApplicationStarted.Register(() =>
        {
            log.Add("runs");
            lifetime.StopApplication();
        });
        await running.WaitAsync(Token);

        Assert.Equal(["warm", "runs", "cold"], log);
        Assert.NotNull(container.Resolve<Clerk>().Log);
    }

    [Fact]
    public async Task Background_work_that_fails_is_logged_and_stops_the_host()
    {
        ListLog log = new();
        Wiring wiring = [Singleton.From(() => new Uri("quay://1")).Background((_, _) => throw new TimeoutException("no tide"))];
        using IHost host = new HostBuilder().ConfigureLogging(logging => logging.ClearProviders().AddProvider(log)).Build();
        await using Container container = wiring.Build();

        BackgroundException thrown =
            await Assert.ThrowsAsync<BackgroundException>(() => host.RunWiredAsync(container).WaitAsync(Token));

        Assert.Equal("Uri", thrown.Service);
        Assert.Contains("Critical Junctivor: The background work of Uri failed. The program stops. no tide", log.Lines);
    }

    private static Task Add(List<string> log, string line)
    {
        log.Add(line);
        return Task.CompletedTask;
    }

    private sealed record Clerk(ILogger<Clerk> Log);

    private sealed class ListLog : ILoggerProvider
    {
        private readonly List<string> _lines = [];

        public IReadOnlyList<string> Lines
        {
            get
            {
                lock (_lines)
                {
                    return [.. _lines];
                }
            }
        }

        public ILogger CreateLogger(string categoryName) => new Writer(this, categoryName);

        public void Dispose()
        {
            // Nothing is open.
        }

        private sealed class Writer(ListLog log, string category) : ILogger
        {
            public IDisposable? BeginScope<TState>(TState state)
                where TState : notnull => null;

            public bool IsEnabled(LogLevel logLevel) => true;

            public void Log<TState>(
                LogLevel logLevel, EventId eventId, TState state, Exception? exception, Func<TState, Exception?, string> formatter)
            {
                lock (log._lines)
                {
                    log._lines.Add($"{logLevel} {category}: {formatter(state, exception)} {exception?.Message}");
                }
            }
        }
    }
}
