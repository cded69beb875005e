using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Routing;

namespace HowTo;

/// <summary>In a web server each request has a scope; modules bring their endpoints; the container warms up before and winds down
/// after.</summary>
internal static class WebRequests
{
    public static async Task RunAsync()
    {
        Wiring wiring =
        [
            Scoped.Incoming<HttpContext>(),                 // handed over by UseJunctivor, as it is promised
            Scoped.Of<BerthLedger>(),
            Scoped.Of<Greeting>(),
            Singleton.Of<IContributesEndpoints, GreetingEndpoints>(),
            Singleton.Of<Lamp>().WarmUp((lamp, _) => lamp.ShineAsync("on")).WindDown((lamp, _) => lamp.ShineAsync("off")),
        ];
        await using Container container = wiring.Build();
        await using WebApplication app =
            WebApplication.CreateSlimBuilder(["--urls", "http://127.0.0.1:0", "--Logging:LogLevel:Default=None"]).Build();
        app.UseJunctivor(container);
        app.MapWiredEndpoints(container);

        // Usually one call, `await app.RunWiredAsync(container)`, that ends with Ctrl+C or SIGTERM.
        await app.StartWarmAsync(container);
        using HttpClient client = new() { BaseAddress = new Uri(app.Urls.First()) };
        WriteLine(await client.GetStringAsync(new Uri("/hello?from=Mira", UriKind.Relative)));
        WriteLine(await client.GetStringAsync(new Uri("/hello?from=Tove", UriKind.Relative)));
        await app.StopAndWindDownAsync(container, WiredHost.DefaultShutdownTimeout);
    }

    private sealed class GreetingEndpoints : IContributesEndpoints
    {
        public void Contribute(IEndpointRouteBuilder routes) =>
            routes.MapGet("/hello", (Greeting greeting) => greeting.Text);
    }

    internal sealed class Greeting(HttpContext request, BerthLedger ledger)
    {
        public string Text => $"Ahoy {request.Request.Query["from"]}, this is ledger {ledger.Number}";
    }

    internal sealed class BerthLedger
    {
        private static int Opened;

        public int Number { get; } = ++Opened;
    }

    private sealed class Lamp
    {
        public Task ShineAsync(string how) => Out.WriteLineAsync($"the lamp is {how}");
    }
}
