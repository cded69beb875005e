using Harbour.Contracts;
using Harbour.Office;
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

    /// <summary>Where it listens; known once it is open, as a port 0 in the address asks for a free one.</summary>
    public Uri Address => new(_server.Urls.First());

    /// <summary>Builds the wiring, and starts to listen.</summary>
    /// <param name="wiring">What the office is made of.</param>
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
            server.UseRequestScopes(container, context => Incoming.Value(CallerOf(context)));
            server.MapHarbour();
            foreach (IEndpoints contributed in container.Resolve<IReadOnlyList<IEndpoints>>())
            {
                contributed.Map(server);
            }

            further?.Invoke(server);
            await server.StartAsync();
            return new HarbourOffice(container, server);
        }
        catch
        {
            await container.DisposeAsync();
            throw;
        }
    }

    public Task WaitForShutdownAsync() => _server.WaitForShutdownAsync();

    public async ValueTask DisposeAsync()
    {
        await _server.DisposeAsync();
        await Container.DisposeAsync();
    }

    private static Caller CallerOf(HttpContext context) =>
        context.Request.Headers["Caller"].FirstOrDefault() is { Length: > 0 } name ? new Caller(name) : Caller.Unknown;
}
