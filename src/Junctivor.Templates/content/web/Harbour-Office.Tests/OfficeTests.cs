using Junctivor;
using Junctivor.Testing;
using Microsoft.Extensions.Logging;
using Microsoft.Extensions.Logging.Abstractions;
using Xunit;

namespace Harbour_Office.Tests;

public class OfficeTests
{
    [Fact]
    public void The_wiring_has_what_the_endpoints_request() => OfficeWiring.Wiring.MustHaveNoWarnings(OfficeEndpoints.Requested);

    [Fact]
    public async Task A_request_has_one_ledger_that_ends_with_it()
    {
        await using TestContainer test = TestContainer.Of(
            OfficeWiring.Wiring, Incoming.Value<ILoggerFactory>(NullLoggerFactory.Instance));
        await using (Scope request = test.Container.StartScope())
        {
            Assert.Equal("Heron gets berth 1.", request.Resolve<BerthPlanner>().Plan("Heron"));
            Assert.Equal("Gull gets berth 2.", request.Resolve<BerthPlanner>().Plan("Gull"));
        }

        Assert.Equal((1, 1), (test.Created<BerthLedger>(), test.Disposed<BerthLedger>()));
        await test.EndAsync();   // fails if a scope is left open
    }
}
