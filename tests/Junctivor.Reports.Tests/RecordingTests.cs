using System.Text.Json;
using Junctivor.Reports.Tests.Recorded;

namespace Junctivor.Reports.Tests;

/// <summary>Scopes are recorded: what is created in each, for whom, what is shared, and nothing of the instances themselves.</summary>
public sealed class RecordingTests : IDisposable
{
    private static readonly ScopeLevel Shift = new("duty shift");

    private readonly string _file = Path.Combine(Path.GetTempPath(), $"{Guid.NewGuid():N}.json");

    private static Wiring Harbour =>
    [
        Scoped.Incoming<Caller>(),
        Singleton.Of<Clock>(),
        Scoped.Of<ILedger, Ledger>(),
        Transient.Of<Planner>(),
        Scoped.Of<Desk>(),
    ];

    public void Dispose() => File.Delete(_file);

    [Fact]
    public void Instances_are_told_apart_by_number_and_what_is_shared_has_one()
    {
        using Container container = Harbour.Build();
        JsonElement[] scopes = ScopesOf(container, () =>
        {
            for (int number = 0; number < 2; number++)
            {
                using Scope scope = container.StartScope(Incoming.Value(new Caller("Mira")));
                scope.Resolve<Desk>();
            }
        });

        Assert.Equal(["singleton", "scoped", "scoped"], scopes.Select(scope => scope.GetProperty("level").GetString()));
        Assert.Equal(["Clock"], Names(scopes[0]));
        Assert.Equal(["Ledger", "Planner", "Desk"], Names(scopes[1]));
        Assert.Equal(Names(scopes[1]), Names(scopes[2]));
        Assert.Equal(Given(scopes[1], "Planner", "ledger"), Given(scopes[1], "Desk", "ledger"));
        Assert.NotEqual(Given(scopes[1], "Desk", "ledger"), Given(scopes[2], "Desk", "ledger"));
        Assert.Equal(Given(scopes[1], "Planner", "clock"), Given(scopes[2], "Planner", "clock"));
        Assert.Equal([Number(scopes[0], "Clock")], Given(scopes[1], "Planner", "clock"));
        Assert.Equal([], Given(scopes[1], "Desk", "caller"));
    }

    [Fact]
    public void It_says_who_requested_what_and_when_it_was_disposed()
    {
        using Container container = Harbour.Build();
        JsonElement scope = ScopesOf(container, () =>
        {
            using Scope request = container.StartScope(Incoming.Value(new Caller("Mira")));
            request.Resolve<Desk>();
            request.Resolve<Desk>();
        })[1];

        Assert.Equal("Planner", Instance(scope, "Ledger").GetProperty("by").GetString());
        Assert.Equal("Desk", Instance(scope, "Planner").GetProperty("by").GetString());
        Assert.False(Instance(scope, "Desk").TryGetProperty("by", out _));
        Assert.Equal(
            [Number(scope, "Desk"), Number(scope, "Desk")],
            scope.GetProperty("requests").EnumerateArray().Select(request => request.GetProperty("number").GetInt32()));
        double disposed = Instance(scope, "Ledger").GetProperty("disposed").GetDouble();
        Assert.InRange(disposed, Instance(scope, "Ledger").GetProperty("began").GetDouble(), scope.GetProperty("ended").GetDouble());
        Assert.False(Instance(scope, "Desk").TryGetProperty("disposed", out _));
    }

    [Fact]
    public void Boxes_are_counted_as_the_drawing_has_them()
    {
        using Container container = Harbour.Build();
        using Scope open = container.StartScope(Incoming.Value(new Caller("Mira")));
        JsonElement whole = WholeRecorded(container, () =>
        {
            Scope second = container.StartScope(Incoming.Value(new Caller("Tove")));
            second.Resolve<Desk>();
            using Scope third = container.StartScope(Incoming.Value(new Caller("Odd")));
            third.Resolve<Desk>();
        });

        Assert.Equal((2, 0, 1), CountOf(whole, "ILedger"));
        Assert.Equal((2, 1), (Part(whole.GetProperty("recorded"), "started"), Part(whole.GetProperty("recorded"), "open")));
    }

    [Fact]
    public void What_throws_is_there_with_the_type_of_the_exception_alone()
    {
        Wiring wiring = [.. Harbour, Scoped.Of<Broken>()];
        using Container container = wiring.Build();
        JsonElement scope = ScopesOf(container, () =>
        {
            using Scope request = container.StartScope(Incoming.Value(new Caller("Mira")));
            Assert.Throws<ConstructionException>(request.Resolve<Broken>);
        })[1];

        Assert.Equal(["Ledger", "Broken"], Names(scope));
        Assert.Equal("InvalidOperationException", Instance(scope, "Broken").GetProperty("failed").GetString());
        Assert.Equal(0, Number(scope, "Broken"));
        Assert.DoesNotContain("secret", File.ReadAllText(_file), StringComparison.Ordinal);
        Assert.DoesNotContain("Mira", File.ReadAllText(_file), StringComparison.Ordinal);
    }

    [Fact]
    public void What_throws_is_counted_as_failed_and_is_in_no_open_scope()
    {
        Wiring wiring = [.. Harbour, Scoped.Of<Broken>()];
        using Container container = wiring.Build();
        JsonElement whole = WholeRecorded(container, () =>
            Assert.Throws<ConstructionException>(container.StartScope(Incoming.Value(new Caller("Mira"))).Resolve<Broken>));

        Assert.Equal((0, 1, 0), CountOf(whole, "Broken"));
        Assert.Equal((1, 0, 1), CountOf(whole, "ILedger"));
    }

    [Fact]
    public void Of_an_open_scope_that_is_not_kept_any_more_the_boxes_are_counted_all_the_same()
    {
        using Container container = Harbour.Build();
        JsonElement whole = WholeRecorded(
            container,
            () =>
            {
                Scope old = container.StartScope(Incoming.Value(new Caller("Mira")));
                container.StartScope(Incoming.Value(new Caller("Tove"))).Dispose();
                old.Resolve<Desk>();
            },
            new RecordingOptions { Scopes = 1 });

        Assert.Equal((1, 0, 1), CountOf(whole, "Desk"));
        Assert.Equal(
            [0, 2], whole.GetProperty("recorded").GetProperty("scopes").EnumerateArray().Select(scope => Part(scope, "number")));
    }

    [Theory]
    [InlineData(1, true)]
    [InlineData(600_000, false)]
    public void What_takes_longer_than_the_options_say_is_slow(int milliseconds, bool isSlow)
    {
        Wiring wiring = [Singleton.From(() =>
        {
            SpinWait.SpinUntil(() => false, TimeSpan.FromMilliseconds(5));
            return new Clock();
        })];
        using Container container = wiring.Build(new BuildOptions { SlowConstruction = TimeSpan.FromMilliseconds(milliseconds) });

        JsonElement clock = Instance(ScopesOf(container, () => container.Resolve<Clock>())[0], "Clock");

        Assert.Equal(isSlow, clock.GetProperty("slow").GetBoolean());
    }

    [Fact]
    public void Only_the_last_scopes_are_kept_and_of_each_only_so_much()
    {
        Wiring wiring = [Transient.Of<Clock>()];
        using Container container = wiring.Build();
        JsonElement[] scopes = ScopesOf(
            container,
            () =>
            {
                for (int number = 0; number < 10; number++)
                {
                    using Scope scope = container.StartScope();
                    for (int time = 0; time < 250; time++)
                    {
                        scope.Resolve<Clock>();
                    }
                }
            },
            new RecordingOptions { Scopes = 3 });

        Assert.Equal([0, 8, 9, 10], scopes.Select(scope => Part(scope, "number")));
        Assert.Equal(200, scopes[1].GetProperty("instances").GetArrayLength());
        Assert.Equal(100, Part(scopes[1], "more"));
    }

    [Fact]
    public void What_was_there_before_gets_a_number_when_it_is_seen()
    {
        using Container container = Harbour.Build();
        container.Resolve<Clock>();
        JsonElement[] scopes = ScopesOf(container, () =>
        {
            using Scope request = container.StartScope(Incoming.Value(new Caller("Mira")));
            request.Resolve<Planner>();
        });

        Assert.False(Instance(scopes[0], "Clock").TryGetProperty("began", out _));
        Assert.Equal([Number(scopes[0], "Clock")], Given(scopes[1], "Planner", "clock"));
    }

    [Fact]
    public void What_is_created_in_a_scope_older_than_the_recording_is_listed_with_the_container()
    {
        using Container container = Harbour.Build();
        using Scope old = container.StartScope(Incoming.Value(new Caller("Mira")));
        JsonElement[] scopes = ScopesOf(container, () => old.Resolve<Desk>());

        Assert.Equal(["Ledger", "Clock", "Desk"], Names(Assert.Single(scopes)));
        Assert.True(Instance(scopes[0], "Ledger").GetProperty("inOlderScope").GetBoolean());
        Assert.False(Instance(scopes[0], "Clock").GetProperty("inOlderScope").GetBoolean());
    }

    [Fact]
    public void Lists_levels_and_asynchronous_factories_are_recorded_too()
    {
        Wiring wiring =
        [
            Singleton.Of<Clock>(),
            Singleton.Of<IFlag, Mast>(),
            Singleton.Of<IFlag, Board>(),
            Shift.Of<Roster>(),
            Singleton.FromAsync(async (Clock clock) =>
            {
                await Task.Yield();
                return new Archive(clock);
            }),
        ];
        using Container container = wiring.Build();
        JsonElement[] scopes = ScopesOf(container, () =>
        {
            container.WarmUpAsync(TestContext.Current.CancellationToken).GetAwaiter().GetResult();
            using Scope shift = container.StartScope(Shift);
            using Scope request = shift.StartScope();
            request.Resolve<Roster>();
        });

        Assert.Equal("duty shift", scopes[1].GetProperty("level").GetString());
        Assert.Equal(1, Part(scopes[2], "within"));
        Assert.Equal(["Roster"], Names(scopes[1]));
        Assert.Equal([Number(scopes[0], "Mast"), Number(scopes[0], "Board")], Given(scopes[1], "Roster", "flags"));
        Assert.Equal([Number(scopes[0], "Clock")], Given(scopes[0], "Archive", "clock"));
    }

    [Fact]
    public void A_factory_that_asks_a_scope_and_a_holder_of_a_function_are_named()
    {
        Wiring wiring =
        [
            Scoped.Of<Clock>(),
            Scoped.Of<Watch>(),
            Scoped.From((Scope scope) => new Ledger { Clock = scope.Resolve<Clock>() }),
        ];
        using Container container = wiring.Build();
        JsonElement[] scopes = ScopesOf(container, () =>
        {
            using (Scope first = container.StartScope())
            {
                first.Resolve<Ledger>();
            }

            using Scope second = container.StartScope();
            second.Resolve<Watch>().Clock();
        });

        Assert.Equal("Ledger", Instance(scopes[1], "Clock").GetProperty("by").GetString());
        Assert.Equal("Ledger", scopes[1].GetProperty("requests")[0].GetProperty("by").GetString());
        Assert.Equal("Watch", Instance(scopes[2], "Clock").GetProperty("by").GetString());
    }

    [Fact]
    public void The_file_can_be_written_on_the_way_and_nothing_is_recorded_afterwards()
    {
        using Container container = Harbour.Build();
        ScopeRecording recording = container.RecordScopes(_file);
        container.StartScope(Incoming.Value(new Caller("Mira"))).Dispose();
        recording.Save();
        int saved = Part(Read().GetProperty("recorded"), "started");
        container.StartScope(Incoming.Value(new Caller("Tove"))).Dispose();
        recording.Dispose();
        container.StartScope(Incoming.Value(new Caller("Odd"))).Dispose();
        recording.Dispose();

        Assert.Equal((1, 2), (saved, Part(Read().GetProperty("recorded"), "started")));
        Assert.Equal(_file, recording.File.FullName);
    }

    [Fact]
    public void Many_threads_are_recorded_at_once()
    {
        using Container container = Harbour.Build();
        JsonElement whole = WholeRecorded(container, () => Parallel.For(0, 400, number =>
        {
            using Scope request = container.StartScope(Incoming.Value(new Caller($"{number}")));
            request.Resolve<Desk>();
        }));

        JsonElement recorded = whole.GetProperty("recorded");
        Assert.Equal((400, 0), (Part(recorded, "started"), Part(recorded, "open")));
        Assert.Equal(400, recorded.GetProperty("counts").EnumerateArray().Max(counted => Part(counted, "created")));
        Assert.All(
            recorded.GetProperty("scopes").EnumerateArray().Skip(1),
            scope => Assert.Equal(["Ledger", "Planner", "Desk"], Names(scope)));
    }

    [Fact]
    public void A_folder_that_is_not_there_is_told_before_anything_is_recorded()
    {
        using Container container = Harbour.Build();
        string missing = Path.Combine(Path.GetTempPath(), $"{Guid.NewGuid():N}", "night.json");

        DirectoryNotFoundException failure = Assert.Throws<DirectoryNotFoundException>(() => container.RecordScopes(missing));

        Assert.EndsWith("does not exist: create it first.", failure.Message, StringComparison.Ordinal);
        Assert.Throws<ArgumentOutOfRangeException>(() => new RecordingOptions { Scopes = 0 });
        container.Dispose();
        Assert.Throws<ObjectDisposedException>(() => container.RecordScopes(_file));
    }

    /// <summary>How often what has this title was created and failed, and in how many open scopes it is.</summary>
    private static (int Created, int Failed, int Open) CountOf(JsonElement whole, string title)
    {
        string key = whole.GetProperty("drawing").GetProperty("nodes").EnumerateArray()
            .Single(node => node.GetProperty("title").GetString() == title).GetProperty("key").GetString()!;
        JsonElement count = whole.GetProperty("recorded").GetProperty("counts").EnumerateArray()
            .Single(counted => counted.GetProperty("key").GetString() == key);
        return (Part(count, "created"), Part(count, "failed"), Part(count, "open"));
    }

    private JsonElement[] ScopesOf(Container container, Action act, RecordingOptions? options = null) =>
        [.. WholeRecorded(container, act, options).GetProperty("recorded").GetProperty("scopes").EnumerateArray()];

    private JsonElement WholeRecorded(Container container, Action act, RecordingOptions? options = null)
    {
        using (container.RecordScopes(_file, options ?? new RecordingOptions()))
        {
            act();
        }

        return Read();
    }

    private JsonElement Read()
    {
        using JsonDocument document = JsonDocument.Parse(File.ReadAllText(_file));
        return document.RootElement.Clone();
    }

    private static string?[] Names(JsonElement scope) =>
        [.. scope.GetProperty("instances").EnumerateArray().Select(instance => instance.GetProperty("name").GetString())];

    private static JsonElement Instance(JsonElement scope, string name) =>
        scope.GetProperty("instances").EnumerateArray().Single(instance => instance.GetProperty("name").GetString() == name);

    private static int Number(JsonElement scope, string name) => Part(Instance(scope, name), "number");

    private static int Part(JsonElement whole, string name) => whole.GetProperty(name).GetInt32();

    private static int[] Given(JsonElement scope, string name, string parameter) =>
    [
        .. Instance(scope, name).GetProperty("arguments").EnumerateArray()
            .Single(argument => argument.GetProperty("parameter").GetString() == parameter)
            .GetProperty("numbers").EnumerateArray().Select(number => number.GetInt32()),
    ];
}
