namespace Junctivor.AspNetCore.Tests;

/// <summary>A small application on a free port, wired by a container.</summary>
internal sealed class Office : IAsyncDisposable
{
    private readonly WebApplication _app;

    private Office(Container container, WebApplication app)
    {
        Container = container;
        _app = app;
        Client = new HttpClient { BaseAddress = Address };
        Client.DefaultRequestHeaders.Add("Caller", "Mira");
    }

    public static Wiring Wiring =>
    [
        Scoped.Incoming<Caller>(),
        Singleton.Of<EndLog>(),
        Scoped.Of<Ledger>(),
        Transient.Of<Desk>(),
    ];

    public static RequestOptions Callers =>
        new() { IncomingFor = context => [Incoming.Value(new Caller($"{context.Request.Headers["Caller"]}"))] };

    public Container Container { get; }

    public HttpClient Client { get; }

    public Uri Address => new(_app.Urls.First());

    public EndLog Ends => Container.Resolve<EndLog>();

    public IHost Host => _app;

    /// <param name="routes">The endpoints beside those that the wiring brings.</param>
    /// <param name="wiring">What is added to the wiring.</param>
    /// <param name="host">What features of the host are switched on.</param>
    /// <param name="before">What comes before the scopes.</param>
    /// <param name="options">What scopes start with; the caller, if nothing is said.</param>
    /// <param name="wired">The endpoints in a group of MapWired.</param>
    public static async Task<Office> OpenAsync(
        Action<WebApplication>? routes, Wiring? wiring = null, Action<WebApplicationBuilder>? host = null,
        Action<WebApplication>? before = null, Func<Container, RequestOptions>? options = null, Action<RouteGroupBuilder>? wired = null)
    {
        Wiring all = [.. Wiring, .. wiring ?? []];
        Container container = all.Build();
        WebApplication app = Make(host);
        before?.Invoke(app);
        app.UseJunctivor(container, options?.Invoke(container) ?? Callers);
        routes?.Invoke(app);
        wired?.Invoke(app.MapWired(container));
        app.MapWiredEndpoints(container);
        await app.StartWarmAsync(container, TestContext.Current.CancellationToken);
        return new Office(container, app);
    }

    public static WebApplication Make(Action<WebApplicationBuilder>? host = null)
    {
        WebApplicationBuilder builder = WebApplication.CreateBuilder(["--urls", "http://127.0.0.1:0", "--Logging:LogLevel:Default=None"]);
        host?.Invoke(builder);
        return builder.Build();
    }

    public Task<string> GetAsync(string path) =>
        Client.GetStringAsync(new Uri(path, UriKind.Relative), TestContext.Current.CancellationToken);

    public async ValueTask DisposeAsync()
    {
        Client.Dispose();
        await _app.DisposeAsync();
        await Container.DisposeAsync();
    }
}
