using System.Text.Json;
using Junctivor.Reports.Recording;
using Junctivor.Reports.Tests.Recorded;

namespace Junctivor.Reports.Tests;

/// <summary>What somebody watches in a busy container is a sample, so that it is hardly slower.</summary>
public sealed class LiveRecordingTests : IDisposable
{
    private const int MostInWindow = 40;

    private readonly Container _container = new Wiring
    {
        Singleton.Of<Clock>(),
        Scoped.Of<ILedger, Ledger>(),
        Transient.Of<Planner>(),
    }.Build();

    public void Dispose() => _container.Dispose();

    [Fact]
    public void A_few_scopes_are_all_recorded()
    {
        using LiveRecording.Watch watch = new LiveRecording("office", _container).Begin();
        watch.TakeChanges();

        Work(MostInWindow);

        JsonElement recorded = Next(watch);
        Assert.Equal(MostInWindow, recorded.GetProperty("started").GetInt32());
        Assert.False(recorded.TryGetProperty("sampled", out _));
    }

    [Fact]
    public void Of_many_at_once_the_first_are_recorded_whole_and_it_says_so()
    {
        using LiveRecording.Watch watch = new LiveRecording("office", _container).Begin();
        watch.TakeChanges();

        Work(10 * MostInWindow);

        JsonElement recorded = Next(watch);
        Assert.Equal(MostInWindow, recorded.GetProperty("started").GetInt32());
        Assert.Equal(0, recorded.GetProperty("open").GetInt32());
        Assert.True(recorded.GetProperty("sampled").GetBoolean());
        Assert.All(
            recorded.GetProperty("scopes").EnumerateArray().Where(scope => scope.GetProperty("number").GetInt32() > 0),
            scope =>
            {
                Assert.Equal(
                    ["Ledger", "Planner"],
                    scope.GetProperty("instances").EnumerateArray().Select(each => each.GetProperty("name").GetString()));
                Assert.False(scope.TryGetProperty("partly", out _));
            });
        Assert.DoesNotContain("inOlderScope\":true", recorded.GetRawText(), StringComparison.Ordinal);
    }

    [Fact]
    public void After_a_rest_it_records_again()
    {
        using LiveRecording.Watch watch = new LiveRecording("office", _container).Begin();
        watch.TakeChanges();
        Work(10 * MostInWindow);
        int started = Next(watch).GetProperty("started").GetInt32();

        int later = started;
        while (later == started)
        {
            Work(1);
            later = watch.TakeChanges() is { } changes
                ? JsonDocument.Parse(changes).RootElement.GetProperty("started").GetInt32()
                : later;
        }

        Assert.InRange(later, started + 1, started + MostInWindow);
    }

    [Fact]
    public void A_scope_that_is_open_during_a_rest_is_recorded_in_part_and_its_end_is_known()
    {
        using LiveRecording.Watch watch = new LiveRecording("office", _container).Begin();
        watch.TakeChanges();
        Scope lasting = _container.StartScope();
        lasting.Resolve<Planner>();
        Work(10 * MostInWindow);

        JsonElement scope = default;
        while (!IsTrue(scope, "partly"))
        {
            scope = First(watch, scope);
        }

        Assert.False(scope.TryGetProperty("ended", out _));
        lasting.Dispose();
        while (!scope.TryGetProperty("ended", out _))
        {
            scope = First(watch, scope);
        }

        Assert.True(IsTrue(scope, "partly"));
    }

    private static bool IsTrue(JsonElement scope, string name) =>
        scope.ValueKind == JsonValueKind.Object && scope.TryGetProperty(name, out JsonElement value) && value.GetBoolean();

    /// <summary>The first scope, as far as something of it has changed.</summary>
    private static JsonElement First(LiveRecording.Watch watch, JsonElement before)
    {
        JsonElement changed = watch.TakeChanges() is { } changes
            ? JsonDocument.Parse(changes).RootElement.GetProperty("scopes").EnumerateArray()
                .FirstOrDefault(scope => scope.GetProperty("number").GetInt32() == 1)
            : default;
        return changed.ValueKind == JsonValueKind.Object ? changed : before;
    }

    private static JsonElement Next(LiveRecording.Watch watch) => JsonDocument.Parse(watch.TakeChanges()!).RootElement;

    private void Work(int times)
    {
        for (int time = 0; time < times; time++)
        {
            using Scope scope = _container.StartScope();
            scope.Resolve<Planner>();
        }
    }
}
