using Harbour.Office;
using Harbour.Shifts;
using Harbour.Web;
using Junctivor;
using Serilog;

namespace Harbour;

/// <summary>The office as it runs: the container, and the web server in front of it.</summary>
public sealed class HarbourOffice : IAsyncDisposable
{
    private readonly WebApplication _server;

    private HarbourOffice(Container container, WebApplication server)
    {
        Container = container;
        _server = server;
    }

    public Container Container { get; }

    /// <summary>Where it listens; known once it is open, as a port 0 in the address requires a free one.</summary>
    public Uri Address => new(_server.Urls.First());

    /// <summary>For how long the last requests are waited for at the end, and then the workers.</summary>
    public static TimeSpan Patience => WiredHost.DefaultShutdownTimeout;

    /// <summary>Builds the wiring, warms it up, and starts to listen.</summary>
    /// <param name="wiring">What the office is made from.</param>
    /// <param name="settings">Where it keeps things.</param>
    /// <param name="url">Where to listen, such as <c>http://127.0.0.1:0</c>.</param>
    /// <param name="further">More endpoints.</param>
    public static async Task<HarbourOffice> OpenAsync(
        Wiring wiring, HarbourSettings settings, string url, Action<IEndpointRouteBuilder>? further = null)
    {
        Container container = wiring.Build(Incoming.Value(settings));
        try
        {
            WebApplicationBuilder builder = WebApplication.CreateSlimBuilder(["--urls", url, "--Logging:LogLevel:Default=None"]);
            WebApplication server = builder.Build();
            server.UseProblemAnswers(container.Resolve<ILogger>());
            server.UseJunctivor(container, WithShifts(container));
            Map(server, container);
            server.MapWiringPage("/wiring", container);
            further?.Invoke(server);
            await server.StartWarmAsync(container);
            return new HarbourOffice(container, server);
        }
        catch
        {
            await container.DisposeAsync();
            throw;
        }
    }

    /// <summary>What the endpoints request, for <c>junctivor check</c>: they are mapped, and nothing is opened.</summary>
    [CheckedEntryPoints("office")]
    [CheckedEntryPoints("rehearsal")]
    public static IReadOnlyList<EntryPoint> Endpoints(Container container)
    {
        WebApplication server = WebApplication.CreateSlimBuilder().Build();
        Map(server, container);
        return server.ReadEntryPoints(container);
    }

    /// <summary>Completes when the office is told to close.</summary>
    public Task WaitUntilToldToCloseAsync() => _server.WaitForStopAsync();

    /// <summary>Answers the last requests, notes the last arrivals, and closes.</summary>
    public Task CloseAsync() => _server.StopAndWindDownAsync(Container, Patience);

    public async ValueTask DisposeAsync()
    {
        await _server.DisposeAsync();
        await Container.DisposeAsync();
    }

    private static void Map(WebApplication server, Container container) => server.MapWiredEndpoints(container);

    /// <summary>Each request visits the shift that is on duty.</summary>
    private static RequestOptions WithShifts(Container container)
    {
        ShiftPlan plan = container.Resolve<ShiftPlan>();
        return new RequestOptions
        {
            IncomingFor = context => [Incoming.Value(CallerOf(context))],
            Sessions = container.Resolve<Sessions>(),
            SessionKey = _ => plan.Now.ToString(),
            SessionIncomingFor = _ => [Incoming.Value(plan.Now)],
        };
    }

    private static Caller CallerOf(HttpContext context) =>
        context.Request.Headers["Caller"].FirstOrDefault() is { Length: > 0 } name ? new Caller(name) : Caller.Unknown;
}
