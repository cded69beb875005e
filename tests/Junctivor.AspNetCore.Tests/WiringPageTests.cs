using System.Net;
using System.Security.Claims;
using System.Text.Encodings.Web;
using System.Text.Json;
using Junctivor.Tests.Shared;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Mvc;
using Microsoft.Extensions.Options;

namespace Junctivor.AspNetCore.Tests;

/// <summary>The page of a running application: who may see it, and what it is told.</summary>
public class WiringPageTests
{
    private const string Path = "/wiring";

    private readonly Watchers _watchers = new();

    private static CancellationToken Token => TestContext.Current.CancellationToken;

    [Fact]
    public async Task In_development_it_shows_the_wiring_and_loads_nothing_from_elsewhere()
    {
        await using Office office = await Open("Development");

        using HttpResponseMessage answer = await office.Client.GetAsync(new Uri(Path, UriKind.Relative), Token);
        string page = await answer.Content.ReadAsStringAsync(Token);

        Assert.Equal((HttpStatusCode.OK, "text/html"), (answer.StatusCode, answer.Content.Headers.ContentType?.MediaType));
        Assert.Contains("\"title\":\"Ledger\"", page, StringComparison.Ordinal);
        Assert.Contains("\"live\":true", page, StringComparison.Ordinal);
        Assert.Contains("default-src 'none'", page, StringComparison.Ordinal);
        Assert.Contains("connect-src 'self'", page, StringComparison.Ordinal);
        Assert.DoesNotContain("http:", page.Replace("http://www.w3.org/2000/svg", "", StringComparison.Ordinal), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(Path)]
    [InlineData(Path + "/events")]
    public async Task Elsewhere_it_is_refused_and_says_what_to_do(string path)
    {
        using ListLog log = new();
        await using Office office = await Open("Production", builder => builder.Logging.AddFilter("Junctivor", LogLevel.Warning));

        using HttpResponseMessage answer = await office.Client.GetAsync(new Uri(path, UriKind.Relative), Token);

        Assert.Equal(HttpStatusCode.Forbidden, answer.StatusCode);
        Assert.Equal(
            "The wiring page is open to all in the Development environment only. Elsewhere, require an authorization policy: "
                + "app.MapWiringPage(\"/wiring\", container).RequireAuthorization(...).",
            await answer.Content.ReadAsStringAsync(Token));
        Assert.Single(log.Lines, line => line.Contains("Access to the wiring page at /wiring was denied", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("master", HttpStatusCode.OK)]
    [InlineData("clerk", HttpStatusCode.Forbidden)]
    [InlineData("", HttpStatusCode.Unauthorized)]
    public async Task With_a_policy_it_is_open_to_whom_the_policy_admits(string role, HttpStatusCode expected)
    {
        await using Office office = await Open(
            "Production",
            builder =>
            {
                builder.Services.AddAuthentication("header").AddScheme<AuthenticationSchemeOptions, HeaderAuthentication>("header", null);
                builder.Services.AddAuthorization(options => options.AddPolicy("masters", policy => policy.RequireRole("master")));
            },
            page => page.RequireAuthorization("masters"));
        office.Client.DefaultRequestHeaders.Add("Role", role);

        using HttpResponseMessage answer = await office.Client.GetAsync(new Uri(Path, UriKind.Relative), Token);

        Assert.Equal(expected, answer.StatusCode);
    }

    [Fact]
    public async Task A_policy_that_is_lifted_again_does_not_open_it()
    {
        await using Office office = await Open(
            "Production", builder => builder.Services.AddAuthorization(), page => page.RequireAuthorization().AllowAnonymous());

        using HttpResponseMessage answer = await office.Client.GetAsync(new Uri(Path, UriKind.Relative), Token);

        Assert.Equal(HttpStatusCode.Forbidden, answer.StatusCode);
    }

    [Fact]
    public async Task While_somebody_looks_each_request_is_a_scope_and_the_page_itself_is_none()
    {
        await using Office office = await Open("Development");
        await office.GetAsync("/desk");
        using StreamReader events = new(await office.Client.GetStreamAsync(new Uri($"{Path}/events", UriKind.Relative), Token));
        JsonElement first = await NextAsync(events);
        using StreamReader second = new(await office.Client.GetStreamAsync(new Uri($"{Path}/events", UriKind.Relative), Token));
        await office.GetAsync(Path);
        await office.GetAsync("/desk?secret=tide");

        JsonElement scope = default;
        int started = 0;
        while (scope.ValueKind == JsonValueKind.Undefined)
        {
            JsonElement next = await NextAsync(events);
            started = next.GetProperty("started").GetInt32();
            scope = next.GetProperty("scopes").EnumerateArray()
                .FirstOrDefault(each => each.GetProperty("number").GetInt32() > 0 && each.TryGetProperty("ended", out _)
                    && each.GetProperty("instances").GetArrayLength() > 0);
        }

        Assert.Equal((0, 1), (first.GetProperty("started").GetInt32(), started));
        Assert.Equal(
            ["Ledger", "Desk"], scope.GetProperty("instances").EnumerateArray().Select(each => each.GetProperty("name").GetString()));
        Assert.DoesNotContain("secret", scope.GetRawText(), StringComparison.Ordinal);
        Assert.DoesNotContain("Mira", scope.GetRawText(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task When_the_last_one_goes_nothing_is_kept()
    {
        await using Office office = await Open("Development");
        for (int time = 0; time < 2; time++)
        {
            using StreamReader events = new(await office.Client.GetStreamAsync(new Uri($"{Path}/events", UriKind.Relative), Token));
            JsonElement first = await NextAsync(events);
            await office.GetAsync("/desk");
            JsonElement next = await NextAsync(events);

            Assert.Equal((0, 1), (first.GetProperty("started").GetInt32(), next.GetProperty("started").GetInt32()));
            events.Dispose();
            while (_watchers.Open > 0)
            {
                await Task.Yield();
            }
        }
    }

    [Fact]
    public async Task The_host_stops_although_somebody_looks()
    {
        await using Office office = await Open("Development");
        using StreamReader events = new(await office.Client.GetStreamAsync(new Uri($"{Path}/events", UriKind.Relative), Token));
        await NextAsync(events);

        await office.Host.StopAndWindDownAsync(office.Container, WiredHost.DefaultShutdownTimeout);

        Assert.DoesNotContain("data:", await events.ReadToEndAsync(Token), StringComparison.Ordinal);
        Assert.Equal(0, _watchers.Open);
    }

    private Task<Office> Open(
        string environment, Action<WebApplicationBuilder>? host = null, Action<IEndpointConventionBuilder>? page = null)
    {
        Container? wired = null;
        return Office.OpenAsync(
            app =>
            {
                IEndpointConventionBuilder mapped = app.MapWiringPage(Path, wired!);
                page?.Invoke(mapped);
                app.MapGet("/desk", ([FromServices] Desk desk) => desk.Answer);
            },
            host: builder =>
            {
                builder.Environment.EnvironmentName = environment;
                host?.Invoke(builder);
            },
            before: app => app.Use(_watchers.CountAsync),
            options: container =>
            {
                wired = container;
                return Office.Callers;
            });
    }

    /// <summary>The data of the next event.</summary>
    private static async Task<JsonElement> NextAsync(StreamReader events)
    {
        while (await events.ReadLineAsync(Token) is { } line)
        {
            if (line.StartsWith("data: ", StringComparison.Ordinal))
            {
                using JsonDocument document = JsonDocument.Parse(line[6..]);
                return document.RootElement.Clone();
            }
        }

        throw new EndOfStreamException();
    }

    /// <summary>Counts those who listen to the events.</summary>
    private sealed class Watchers
    {
        private int _open;

        public int Open => Volatile.Read(ref _open);

        public async Task CountAsync(HttpContext context, RequestDelegate next)
        {
            bool isCounted = context.Request.Path.Value?.EndsWith("/events", StringComparison.Ordinal) == true;
            Interlocked.Add(ref _open, isCounted ? 1 : 0);
            try
            {
                await next(context);
            }
            finally
            {
                Interlocked.Add(ref _open, isCounted ? -1 : 0);
            }
        }
    }

    /// <summary>Believes what a header says.</summary>
    private sealed class HeaderAuthentication(
        IOptionsMonitor<AuthenticationSchemeOptions> options, ILoggerFactory logger, UrlEncoder encoder)
        : AuthenticationHandler<AuthenticationSchemeOptions>(options, logger, encoder)
    {
        protected override Task<AuthenticateResult> HandleAuthenticateAsync()
        {
            string role = $"{Request.Headers["Role"]}";
            return Task.FromResult(role.Length == 0
                ? AuthenticateResult.NoResult()
                : AuthenticateResult.Success(new AuthenticationTicket(
                    new ClaimsPrincipal(new ClaimsIdentity([new Claim(ClaimTypes.Role, role)], "header")), "header")));
        }
    }
}
