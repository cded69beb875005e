using Junctivor;
using Junctivor.Testing;
using Xunit;

namespace Harbour_Office.Tests;

public class OfficeTests
{
    [Fact]
    public void The_wiring_is_sound() => OfficeWiring.Wiring.MustHaveNoWarnings();

    [Fact]
    public async Task Vessels_get_the_next_berth_from_one_ledger()
    {
        StringWriter berths = new();
        Wiring wiring = [.. OfficeWiring.Wiring, Singleton.Value<TextWriter>(berths).Marked("berths").Replacing()];
        await using TestContainer test = TestContainer.Of(wiring);
        await using (Scope scope = test.Container.StartScope())
        {
            await scope.Resolve<BerthPlanner>().RunAsync(["Heron", "Gull"], TestContext.Current.CancellationToken);
        }

        Assert.Contains("Heron gets berth 1.", berths.ToString());
        Assert.Contains("Gull gets berth 2.", berths.ToString());
        Assert.Equal((1, 1), (test.Created<BerthLedger>(), test.Disposed<BerthLedger>()));
        await test.EndAsync();   // fails if a scope is left open
    }
}
