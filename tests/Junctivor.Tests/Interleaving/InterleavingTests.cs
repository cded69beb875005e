using System.Reflection;

namespace Junctivor.Tests.Interleaving;

/// <summary>
/// What docs/decisions/0001-memory-model.md declares of the table and of the word of a scope, tried in every order of steps with few
/// interruptions: not by luck.
/// </summary>
public class InterleavingTests
{
    private static readonly Lazy<RewrittenLibrary> Library = new(() => new RewrittenLibrary());

    [Theory]
    [InlineData("Observed_while_resolved", 2)]
    [InlineData("Grown_while_resolved", 2)]
    [InlineData("Made_twice_at_once", 3)]
    [InlineData("Ended_while_made", 3)]
    [InlineData("Ended_while_made_both_ways", 1)]
    [InlineData("Made_step_by_step_twice", 2)]
    [InlineData("Claim_given_back", 2)]
    [InlineData("Claim_given_back_to_who_waits", 2)]
    [InlineData("Ended_twice", 3)]
    [InlineData("Ended_twice_with_nothing_in_it", 4)]
    public void In_every_order_of_steps_it_comes_out_right(string scenario, int preemptions)
    {
        int orders =
            (int)Library.Value.Scenarios.GetMethod(nameof(Scenarios.Try))!.Invoke(
                null, BindingFlags.DoNotWrapExceptions, null, [scenario, preemptions], null)!;

        Assert.True(orders > 10, $"Only {orders} orders: there are no points any more.");
        TestContext.Current.TestOutputHelper?.WriteLine($"{orders} orders");
    }
}
