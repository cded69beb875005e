using System.Security.Claims;
using System.Text.Encodings.Web;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.Extensions.Options;

namespace Junctivor.AspNetCore.Tests;

/// <summary>What the host creates by itself gets our services in the smallest way that is honest.</summary>
public class MiddlewareTests
{
    [Fact]
    public async Task Middleware_takes_services_of_the_request_as_parameters_and_singletons_as_arguments()
    {
        await using Office office = await Office.OpenAsync(wiring: [Singleton.Value(new Banner("North Quay"))], routes: app =>
        {
            app.UseMiddleware<Stamping>(new Banner("given"));
            app.MapGet("/desk", (HttpContext context) => $"{context.Items["stamp"]}");
        });

        Assert.Matches("^given: Mira at ledger [0-9]+$", await office.GetAsync("/desk"));
    }

    [Fact]
    public async Task Authentication_and_authorization_handlers_take_the_scope_of_the_request()
    {
        // The application adds both by itself, before everything else, where they are not called.
        await using Office office = await Office.OpenAsync(
            app => app.UseAuthentication().UseAuthorization(),
            [Singleton.Of<Register>(), Scoped.Incoming<ClaimsPrincipal>(), Transient.Of<Greeting>()],
            builder =>
            {
                builder.Services.AddAuthentication("register").AddScheme<AuthenticationSchemeOptions, RegisterHandler>("register", null);
                builder.Services.AddAuthorization(options => options.AddPolicy("open", policy => policy.RequireAssertion(
                    asked => ((HttpContext)asked.Resource!).GetScope().Resolve<Register>().IsOpen(asked.User))));
            },
            wired: routes => routes.MapGet("/greeting", (Greeting greeting) => greeting.Text).RequireAuthorization("open"));

        Assert.Equal("Good day, Mira", await office.GetAsync("/greeting"));
        office.Client.DefaultRequestHeaders.Remove("Caller");
        office.Client.DefaultRequestHeaders.Add("Caller", "Nobody");
        await Assert.ThrowsAsync<HttpRequestException>(() => office.GetAsync("/greeting"));
    }

    [Fact]
    public async Task An_exception_handler_takes_the_scope_of_the_request_that_failed()
    {
        await using Office office = await Office.OpenAsync(
            app =>
            {
                app.UseExceptionHandler(failed => failed.Run(context =>
                {
                    Ledger ledger = context.GetScope().Resolve<Ledger>();
                    string message = context.Features.Get<IExceptionHandlerFeature>()!.Error.Message;
                    context.Response.StatusCode = 200;
                    return context.Response.WriteAsync($"{message} {ledger.Number}");
                }));
            },
            wired: routes => routes.MapGet("/fail", string (Ledger ledger) => throw new InvalidOperationException($"{ledger.Number}")));

        string[] numbers = (await office.GetAsync("/fail")).Split(' ');

        Assert.Equal(numbers[0], numbers[1]);
    }

    private sealed record Banner(string Text);

    private sealed class Stamping(RequestDelegate next, Banner banner)
    {
        public Task InvokeAsync(HttpContext context, Desk desk)
        {
            context.Items["stamp"] = $"{banner.Text}: {desk.Answer}";
            return next(context);
        }
    }

    private sealed class Register
    {
        public ClaimsPrincipal Find(string name) => new(new ClaimsIdentity([new Claim("name", name)], "register"));

        public bool IsOpen(ClaimsPrincipal user) => user.FindFirst("name")?.Value == "Mira";
    }

    private sealed class Greeting(ClaimsPrincipal user)
    {
        public string Text => $"Good day, {user.FindFirst("name")?.Value}";
    }

    private sealed class RegisterHandler(IOptionsMonitor<AuthenticationSchemeOptions> options, ILoggerFactory logs, UrlEncoder encoder)
        : AuthenticationHandler<AuthenticationSchemeOptions>(options, logs, encoder)
    {
        protected override Task<AuthenticateResult> HandleAuthenticateAsync() => Task.FromResult(AuthenticateResult.Success(
            new AuthenticationTicket(Context.GetScope().Resolve<Register>().Find($"{Request.Headers["Caller"]}"), Scheme.Name)));
    }
}
