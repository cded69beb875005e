using System.Diagnostics.Metrics;

namespace Junctivor.Tests.Telemetry;

/// <summary>The meter is one for the process, so each test counts what has a name of its own.</summary>
public sealed class MeterTests : IDisposable
{
    private readonly Lock _gate = new();
    private readonly List<(string Instrument, double Value, Dictionary<string, object?> Tags)> _measured = [];
    private readonly MeterListener _listener = new();

    public MeterTests()
    {
        _listener.InstrumentPublished = (instrument, listener) =>
        {
            if (instrument.Meter.Name == "Junctivor")
            {
                listener.EnableMeasurementEvents(instrument);
            }
        };
        _listener.SetMeasurementEventCallback<int>((instrument, value, tags, _) => Note(instrument, value, tags));
        _listener.SetMeasurementEventCallback<long>((instrument, value, tags, _) => Note(instrument, value, tags));
        _listener.SetMeasurementEventCallback<double>((instrument, value, tags, _) => Note(instrument, value, tags));
        _listener.Start();
    }

    public void Dispose() => _listener.Dispose();

    [Fact]
    public void Scopes_are_counted_by_level_when_they_start_and_end()
    {
        ScopeLevel watch = new("dog watch");
        using Container container = new Wiring { watch.Of<Buoy>() }.Build();

        Scope first = container.StartScope(watch);
        Scope second = container.StartScope(watch);
        Assert.Equal(
            (2, 2), (Sum("junctivor.scopes.open", "junctivor.level", "dog watch"),
                Sum("junctivor.scopes.entered", "junctivor.level", "dog watch")));
        first.Dispose();
        first.Dispose();
        second.Dispose();

        Assert.Equal(
            (0, 2), (Sum("junctivor.scopes.open", "junctivor.level", "dog watch"),
                Sum("junctivor.scopes.entered", "junctivor.level", "dog watch")));
    }

    [Fact]
    public void What_has_been_compiled_is_counted_as_before()
    {
        using Container container =
            new Wiring { Transient.Of<Fender>() }.Build(new BuildOptions { Compilation = PlanCompilation.Immediate });

        for (int time = 0; time < 3; time++)
        {
            container.Resolve<Fender>();
        }

        Assert.Equal(3, Sum("junctivor.constructions", "junctivor.service", "MeterTests.Fender"));
    }

    [Fact]
    public void Constructions_are_counted_and_timed_by_service()
    {
        using Container container = new Wiring { Transient.Of<Buoy>(), Singleton.From((Buoy buoy) => new Mooring(buoy)) }.Build();

        container.Resolve<Buoy>();
        container.Resolve<Mooring>();
        container.Resolve<Mooring>();

        Assert.Equal(2, Sum("junctivor.constructions", "junctivor.service", "MeterTests.Buoy"));
        Assert.Equal(1, Sum("junctivor.constructions", "junctivor.service", "MeterTests.Mooring"));
        Assert.Equal(2, Times("junctivor.construction.duration", "junctivor.service", "MeterTests.Buoy").Count());
        Assert.All(Times("junctivor.construction.duration", "junctivor.service", "MeterTests.Buoy"), each => Assert.True(each.Value >= 0));
        Assert.All(
            Times("junctivor.constructions", "junctivor.service", "MeterTests.Mooring"),
            each => Assert.Equal("singleton", each.Tags["junctivor.lifetime"]));
    }

    [Fact]
    public async Task Failures_are_counted_by_service_stage_and_what_was_thrown()
    {
        Container container = new Wiring
        {
            Transient.From(Wreck () => throw new TimeoutException()),
            Singleton.FromAsync(async Task<Leak> () => throw new TimeoutException($"{await Task.FromResult(1)}")),
            Singleton.Of<Sinking>(),
        }.Build();

        Assert.Throws<ConstructionException>(container.Resolve<Wreck>);
        await Assert.ThrowsAsync<WarmUpException>(() => container.WarmUpAsync(TestContext.Current.CancellationToken));
        container.Resolve<Sinking>();
        Assert.Throws<AggregateException>(container.Dispose);

        Assert.Equal(
            [("construct", "System.TimeoutException"), ("construct", "System.TimeoutException"),
                ("dispose", "System.NotSupportedException")],
            new[] { "Wreck", "Leak", "Sinking" }
                .SelectMany(name => Times("junctivor.failures", "junctivor.service", $"MeterTests.{name}"))
                .Select(each => ($"{each.Tags["junctivor.stage"]}", $"{each.Tags["error.type"]}")));
    }

    [Fact]
    public void A_scope_that_nobody_saw_start_is_not_taken_off_when_it_ends()
    {
        ScopeLevel watch = new("morning watch");
        using Container container = new Wiring { watch.Of<Buoy>() }.Build();
        List<Instrument> open = Instruments("junctivor.scopes.open");
        Assert.NotEmpty(open);
        foreach (Instrument instrument in open)
        {
            _listener.DisableMeasurementEvents(instrument);
        }

        Scope unseen = container.StartScope(watch);
        foreach (Instrument instrument in open)
        {
            _listener.EnableMeasurementEvents(instrument);
        }

        unseen.Dispose();

        Assert.Empty(Times("junctivor.scopes.open", "junctivor.level", "morning watch"));
    }

    /// <summary>The instruments of that name; other tests load the library a second time, and then there are two.</summary>
    private static List<Instrument> Instruments(string name)
    {
        List<Instrument> found = [];
        using MeterListener finder = new();
        finder.InstrumentPublished = (instrument, _) =>
        {
            if (instrument.Name == name)
            {
                found.Add(instrument);
            }
        };
        finder.Start();
        return found;
    }

    private int Sum(string instrument, string tag, string value) => (int)Times(instrument, tag, value).Sum(each => each.Value);

    private IEnumerable<(string Instrument, double Value, Dictionary<string, object?> Tags)> Times(
        string instrument, string tag, string value)
    {
        lock (_gate)
        {
            return [.. _measured.Where(each => each.Instrument == instrument && value.Equals(each.Tags[tag]))];
        }
    }

    private void Note(Instrument instrument, double value, ReadOnlySpan<KeyValuePair<string, object?>> tags)
    {
        lock (_gate)
        {
            _measured.Add((instrument.Name, value, tags.ToArray().ToDictionary(tag => tag.Key, tag => tag.Value)));
        }
    }

    public sealed class Fender;

    public sealed class Buoy;

    public sealed record Mooring(Buoy Buoy);

    public sealed class Wreck;

    public sealed class Leak;

    public sealed class Sinking : IDisposable
    {
        public void Dispose() => throw new NotSupportedException();
    }
}
