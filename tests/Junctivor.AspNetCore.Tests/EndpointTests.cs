using Microsoft.AspNetCore.Mvc;

namespace Junctivor.AspNetCore.Tests;

public class EndpointTests
{
    [Fact]
    public async Task A_module_brings_its_endpoints_and_the_start_does_not_change()
    {
        Wiring module = [Singleton.Of<FlagMast>(), Singleton.Of<IContributesEndpoints, FlagEndpoints>(),
            Singleton.Of<IContributesEndpoints, DeskEndpoints>()];
        await using Office office = await Office.OpenAsync(null, module);
        await using Office without = await Office.OpenAsync(null);

        Assert.Equal("north 3", await office.GetAsync("/flags"));
        Assert.Matches("^Mira at ledger", await office.GetAsync("/desk"));
        await Assert.ThrowsAsync<HttpRequestException>(() => without.GetAsync("/flags"));
    }

    [Fact]
    public async Task One_that_needs_a_scope_is_a_fault_that_says_so()
    {
        Wiring wiring = [.. Office.Wiring, Transient.Of<IContributesEndpoints, Hasty>()];
        using Container container = wiring.Build();
        await using WebApplication app = Office.Make();

        Assert.Equal("JV302", Assert.Throws<ResolveException>(() => app.MapWiredEndpoints(container)).Fault.Code);
    }

    public sealed class FlagMast
    {
        public int Flags => 3;
    }

    public sealed class FlagEndpoints(FlagMast mast) : IContributesEndpoints
    {
        public void Contribute(IEndpointRouteBuilder routes) => routes.MapGet("/flags", () => $"north {mast.Flags}");
    }

    public sealed class DeskEndpoints : IContributesEndpoints
    {
        public void Contribute(IEndpointRouteBuilder routes) => routes.MapGet("/desk", ([FromServices] Desk desk) => desk.Answer);
    }

    public sealed class Hasty(Desk desk) : IContributesEndpoints
    {
        public void Contribute(IEndpointRouteBuilder routes) => routes.MapGet("/desk", () => desk.Answer);
    }
}
