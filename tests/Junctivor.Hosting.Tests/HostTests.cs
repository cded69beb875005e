using Junctivor.Tests.Shared;
using Microsoft.Extensions.Hosting;
using Microsoft.Extensions.Logging;

namespace Junctivor.Hosting.Tests;

/// <summary>A host without a web server.</summary>
[Collection("programs")]
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
        using ListLog log = new();
        Wiring wiring = [Singleton.From(() => new Uri("quay://1")).Background((_, _) => throw new TimeoutException("no tide"))];
        using IHost host = new HostBuilder().ConfigureLogging(logging => logging.AddEventSourceLogger()).Build();
        await using Container container = wiring.Build();

        BackgroundException thrown =
            await Assert.ThrowsAsync<BackgroundException>(() => host.RunWiredAsync(container).WaitAsync(Token));

        Assert.Equal("Uri", thrown.Service);
        Assert.Contains("Junctivor: The background work of Uri failed. The program stops.", log.Lines);
    }

    private static Task Add(List<string> log, string line)
    {
        log.Add(line);
        return Task.CompletedTask;
    }

    private sealed record Clerk(ILogger<Clerk> Log);
}
