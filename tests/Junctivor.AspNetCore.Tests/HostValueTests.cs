using System.Security.Claims;
using Junctivor.Checks;
using Microsoft.Extensions.Logging.Abstractions;

namespace Junctivor.AspNetCore.Tests;

/// <summary>Values that the host has, and how they get into the graph.</summary>
public class HostValueTests
{
    [Fact]
    public async Task One_call_supplies_every_declared_value_that_the_host_has()
    {
        await using WebApplication app = Office.Make();
        Wiring wiring =
        [
            Singleton.Incoming<IHostEnvironment>(),
            Singleton.Incoming<IConfiguration>(),
            Singleton.Incoming<ILoggerFactory>(),
            Singleton.Of(typeof(ILogger<>), typeof(Logger<>)),
            Singleton.Incoming<Caller>(),
            Singleton.Of<Clerk>(),
        ];

        await using Container container = wiring.Build(Incoming.FromHost(app.Services), Incoming.Value(new Caller("Tove")));

        Clerk clerk = container.Resolve<Clerk>();
        Assert.Same(app.Services.GetService(typeof(IHostEnvironment)), clerk.Environment);
        Assert.Same(app.Configuration, clerk.Configuration);
        Assert.IsType<Logger<Clerk>>(clerk.Log);
        Assert.Equal("Tove", clerk.Caller.Name);
    }

    [Fact]
    public async Task What_is_supplied_otherwise_counts_and_what_the_host_lacks_is_a_fault()
    {
        await using WebApplication app = Office.Make();
        Wiring supplied = [Singleton.Incoming<ILoggerFactory>()];
        Wiring lacking = [Singleton.Incoming<Caller>()];

        await using Container container = supplied.Build(
            Incoming.FromHost(app.Services), Incoming.Value<ILoggerFactory>(NullLoggerFactory.Instance));

        Assert.Same(NullLoggerFactory.Instance, container.Resolve<ILoggerFactory>());
        Fault fault = Assert.Single(Assert.Throws<WiringException>(() => lacking.Build(Incoming.FromHost(app.Services))).Report.Errors);
        Assert.Equal("JV105", fault.Code);
    }

    [Fact]
    public async Task A_container_that_is_built_before_the_host_is_supplied_later()
    {
        Wiring wiring = [Singleton.Incoming<IHostEnvironment>().SuppliedLater(), Singleton.Incoming<IConfiguration>().SuppliedLater()];
        await using Container container = wiring.Build();
        await using WebApplication app = Office.Make();

        container.Supply(app.Configuration as IConfiguration);
        container.Supply(Incoming.FromHost(app.Services));
        container.Supply(Incoming.FromHost(app.Services));

        Assert.Same(app.Services.GetService(typeof(IHostEnvironment)), container.Resolve<IHostEnvironment>());
    }

    [Fact]
    public async Task A_scope_takes_no_host_and_a_host_no_mark()
    {
        await using WebApplication app = Office.Make();
        Wiring empty = [];
        await using Container container = empty.Build();

        Assert.Contains(
            "pass it to Build",
            Assert.Throws<ArgumentException>(() => container.StartScope(Incoming.FromHost(app.Services))).Message,
            StringComparison.Ordinal);
        Assert.Throws<InvalidOperationException>(() => Incoming.FromHost(app.Services).Marked("north"));
    }

    [Fact]
    public void A_missing_service_of_the_host_is_offered_as_such()
    {
        Wiring wiring = [Singleton.Of<Clerk>(), Singleton.Value(new Caller("Tove"))];

        IReadOnlyList<Fault> faults = wiring.Check().Errors;

        Assert.Equal(
            ["Singleton.Incoming<IHostEnvironment>()", "Singleton.Incoming<IConfiguration>()",
                "Singleton.Of(typeof(ILogger<>), typeof(Logger<>)),\nSingleton.Incoming<ILoggerFactory>()"],
            faults.Select(fault => fault.Fixes[0].Code));
        Assert.All(
            faults,
            fault => Assert.Contains("wiring.Build(Incoming.FromHost(app.Services))", fault.Fixes[0].Advice, StringComparison.Ordinal));
        Wiring declared = [Singleton.Incoming<IConfiguration>()];
        Assert.Equal(
            "await using Container container = wiring.Build(Incoming.FromHost(app.Services));",
            Assert.Single(Assert.Throws<WiringException>(() => declared.Build()).Report.Errors).Fixes[0].Code);
    }

    [Fact]
    public async Task The_user_is_read_when_first_requested_so_scopes_may_start_before_authentication()
    {
        await using Office office = await Office.OpenAsync(
            app =>
            {
                app.Use((context, next) =>
                {
                    context.User = new ClaimsPrincipal(new ClaimsIdentity([new Claim("name", "Tove")], "test"));
                    return next(context);
                });
                app.MapGet("/user", (HttpContext context) => context.GetScope().Resolve<ClaimsPrincipal>().FindFirst("name")!.Value);
            },
            [Scoped.Incoming<ClaimsPrincipal>()]);

        Assert.Equal("Tove", await office.GetAsync("/user"));
    }

    private sealed record Clerk(IHostEnvironment Environment, IConfiguration Configuration, ILogger<Clerk> Log, Caller Caller);
}
