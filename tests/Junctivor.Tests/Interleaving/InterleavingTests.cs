using System.Reflection;

namespace Junctivor.Tests.Interleaving;

/// <summary>
/// What docs/decisions/0001-memory-model.md declares of the table and of the word of a scope, tried in every order of steps with few
/// interruptions: not by luck.
/// </summary>
public class InterleavingTests
{
    private static readonly Dictionary<string, int> Preemptions = new()
    {
        ["Observed_while_resolved"] = 2,
        ["Grown_while_resolved"] = 2,
        ["Made_twice_at_once"] = 3,
        ["Ended_while_made"] = 3,
        ["Ended_while_made_both_ways"] = 1,
        ["Made_step_by_step_twice"] = 2,
        ["Claim_given_back"] = 2,
        ["Claim_given_back_to_who_waits"] = 2,
        ["Ended_twice"] = 3,
        ["Ended_twice_with_nothing_in_it"] = 4,
    };

    /// <summary>All scenarios run at the same time, each with a copy of the library: one thread of a scenario runs at a time, and on a
    /// busy machine nearly all of its time is the wait for the next one to be scheduled.</summary>
    private static readonly Dictionary<string, Task<int>> Runs = Preemptions.Keys.ToDictionary(
        scenario => scenario,
        scenario => Task.Factory.StartNew(
            () => OrdersOf(scenario), CancellationToken.None, TaskCreationOptions.LongRunning, TaskScheduler.Default));

    public static TheoryData<string> Scenarios => [.. Preemptions.Keys];

    [Theory]
    [MemberData(nameof(Scenarios))]
    public async Task In_every_order_of_steps_it_comes_out_right(string scenario)
    {
        int orders = await Runs[scenario];

        Assert.True(orders > 10, $"Only {orders} orders: there are no points any more.");
        TestContext.Current.TestOutputHelper?.WriteLine($"{orders} orders");
    }

    private static int OrdersOf(string scenario) =>
        (int)new RewrittenLibrary().Scenarios.GetMethod(nameof(Interleaving.Scenarios.Try))!.Invoke(
            null, BindingFlags.DoNotWrapExceptions, null, [scenario, Preemptions[scenario]], null)!;
}
