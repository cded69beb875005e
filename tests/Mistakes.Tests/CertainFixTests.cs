using Junctivor.Fixing;

namespace Mistakes.Tests;

/// <summary>The command writes only what keeps the behavior of the program for certain; all else it leaves by hand, with the
/// reason.</summary>
public class CertainFixTests
{
    private const string Ledger = """
        public sealed class Ledger : IDisposable
        {
            public Task<int> PostAsync() => Task.FromResult(1);

            public int Post() => 1;

            public IEnumerable<int> Rows() => [1, 2];

            public event Action? Posted;

            public void Ring() => Posted?.Invoke();

            public void Dispose()
            {
            }
        }

        """;

    [Theory]
    [InlineData(
        """
        public sealed class Poller(Ledger ledger)
        {
            public async Task RunAsync(CancellationToken stop)
            {
                using PeriodicTimer timer = new(TimeSpan.FromMinutes(1));
                while (await timer.WaitForNextTickAsync(stop))
                {
                    await ledger.PostAsync();
                }
            }
        }
        """,
        """
        public sealed class Poller(FreshScope<Ledger> ledger)
        {
            public async Task RunAsync(CancellationToken stop)
            {
                using PeriodicTimer timer = new(TimeSpan.FromMinutes(1));
                while (await timer.WaitForNextTickAsync(stop))
                {
                    await ledger.RunAsync(fresh => fresh.PostAsync());
                }
            }
        }
        """)]
    [InlineData(
        """
        public sealed class Poller(Ledger ledger)
        {
            public async Task RunAsync(CancellationToken stop)
            {
                while (!stop.IsCancellationRequested)
                {
                    int posted = await ledger.PostAsync();
                    posted += ledger.Post();
                    await Task.Delay(posted, stop);
                }
            }
        }
        """,
        """
        public sealed class Poller(FreshScope<Ledger> ledger)
        {
            public async Task RunAsync(CancellationToken stop)
            {
                while (!stop.IsCancellationRequested)
                {
                    await ledger.RunAsync(async fresh =>
                    {
                        int posted = await fresh.PostAsync();
                        posted += fresh.Post();
                        await Task.Delay(posted, stop);
                    });
                }
            }
        }
        """)]
    [InlineData(
        "public sealed class Poller(Ledger ledger) { public Task Start() { Task started = ledger.PostAsync(); return started; } }",
        "public sealed class Poller(FreshScope<Ledger> ledger) { public Task Start() { Task started = ledger.RunAsync(fresh => fresh.PostAsync()); return started; } }")]
    [InlineData(
        """
        public sealed class Poller(Ledger ledger)
        {
            public int Run(int[] vessels)
            {
                // Nothing to do.
                if (vessels.Length == 0)
                {
                    return 0;
                }

                int posted = 0;
                foreach (int vessel in vessels)
                {
                    posted += ledger.Post() + vessel;
                }

                return posted;
            }
        }
        """,
        """
        public sealed class Poller(FreshScope<Ledger> ledger)
        {
            public int Run(int[] vessels)
            {
                // Nothing to do.
                if (vessels.Length == 0)
                {
                    return 0;
                }

                int posted = 0;
                ledger.Run(fresh =>
                {
                    foreach (int vessel in vessels)
                    {
                        posted += fresh.Post() + vessel;
                    }
                });

                return posted;
            }
        }
        """)]
    [InlineData(
        """""
        public sealed class Poller(Ledger ledger)
        {
            public string Run()
            {
                int posted = ledger.Post();
                string text = $"{posted,
                    4}{ledger.Post()}";
                text += $$"""
                    first {{posted}}
                      second
                    """;
                text += @"third
        fourth";
                return text;
            }
        }
        """"",
        """""
        public sealed class Poller(FreshScope<Ledger> ledger)
        {
            public string Run()
            {
                return ledger.Run(fresh =>
                {
                    int posted = fresh.Post();
                    string text = $"{posted,
                    4}{fresh.Post()}";
                    text += $$"""
                    first {{posted}}
                      second
                    """;
                    text += @"third
        fourth";
                    return text;
                });
            }
        }
        """"")]
    public void A_scope_stands_around_one_unit_of_work(string holder, string expected)
    {
        FixedSource source = Holding(holder);

        (FixedSource after, IReadOnlyList<FixOutcome> done) = source.Fix();

        Assert.Null(Assert.Single(done).Obstacle);
        Assert.Equal(Holding(expected).Text, after.Text);
        Assert.Empty(after.Found);
    }

    [Theory]
    [InlineData(
        """
        public sealed class Poller(Ledger ledger)
        {
            public Poller Listen()
            {
                ledger.Posted += () => { };
                return this;
            }
        }
        """,
        "Listen subscribes to Posted, which ends with the scope")]
    [InlineData(
        "public sealed class Poller(Ledger ledger) { private IEnumerable<int> Rows() => ledger.Rows().Where(row => row > 1); }",
        "what Rows gets from ledger is read after its scope was disposed")]
    [InlineData(
        """
        public sealed class Poller(Ledger ledger)
        {
            public int Run()
            {
                int posted = ledger.Post();
        #if LATER
                posted++;
        #endif
                return posted + ledger.Post();
            }
        }
        """,
        "a directive such as #if stands between the statements")]
    [InlineData(
        """
        public sealed class Poller(Ledger ledger)
        {
            public async Task TryAsync()
            {
                while (true)
                {
                    try
                    {
                        await ledger.PostAsync();
                        return;
                    }
                    catch (TimeoutException)
                    {
                        await Task.Delay(100);
                    }
                }
            }
        }
        """,
        "TryAsync waits in a loop, and only you know whether each round is a unit of work of its own")]
    [InlineData(
        """
        public sealed class Poller(Ledger ledger)
        {
            public async Task RunAsync(Queue<int> queue)
            {
                while (queue.TryDequeue(out int vessel))
                {
                    await Task.Delay(vessel);
                    await ledger.PostAsync();
                }
            }
        }
        """,
        "RunAsync waits in a loop, and only you know whether each round is a unit of work of its own")]
    public void What_would_outlive_its_scope_is_left_by_hand(string holder, string reason)
    {
        FixedSource source = Holding(holder);

        (FixedSource after, IReadOnlyList<FixOutcome> done) = source.Fix();

        Assert.True(Assert.Single(done).Obstacle?.Contains(reason, StringComparison.Ordinal) == true, $"{done[0].Obstacle}\n{after.Text}");
        Assert.Equal(source.Text, after.Text);
    }

    [Fact]
    public void What_a_service_keeps_from_one_call_to_the_next_is_not_split()
    {
        FixedSource source = Of(
            "Scoped.Of<Unit>(), Singleton.Of<Importer>()",
            """
            public sealed class Unit : IDisposable
            {
                private readonly List<string> _rows = [];

                public void Begin() => _rows.Clear();

                public void Add(string row) => _rows.Add(row);

                public int Commit() => _rows.Count;

                public void Dispose()
                {
                }
            }

            public sealed class Importer(Unit unit)
            {
                public void Begin() => unit.Begin();

                public void Add(string row) => unit.Add(row);

                public int Commit() => unit.Commit();
            }
            """);

        (FixedSource after, IReadOnlyList<FixOutcome> done) = source.Fix();

        Assert.Equal(
            "the service keeps Unit._rows, which Begin and Add and Commit would not share any more", Assert.Single(done).Obstacle);
        Assert.Equal(source.Text, after.Text);
    }

    [Theory]
    [InlineData(
        "JV202", "Singleton.Of<IMast, Fore>(), Singleton.Of<IMast, Main>(), Singleton.Of<Deck>()",
        "interface IMast; class Fore : IMast; class Main : IMast; record Deck(IMast Mast);")]
    [InlineData(
        "JV101", "Singleton.Of<Deck>()", "interface IMast; class Fore : IMast; class Main : IMast; record Deck(IMast Mast);")]
    [InlineData(
        "JV101",
        "Singleton.Value(new Mast(1)).Marked(\"fore\"), Singleton.Value(new Mast(2)).Marked(\"main\"), Singleton.Of<Deck>()",
        "record Mast(int Height); record Deck([Marked(\"mizzen\")] Mast Mast);")]
    [InlineData(
        "JV109", "Scoped.Of<Mast>().WarmUp((mast, stop) => Task.CompletedTask)", "class Mast;")]
    [InlineData(
        "JV204", "Singleton.Of<Mast>(), Singleton.Of<Mast>(), Singleton.Of<Deck>()",
        "class Mast; record Deck(IReadOnlyList<Mast> Masts);")]
    [InlineData(
        "JV303", "Transient.Of<Tape>(), Singleton.Of<Till>()",
        "class Tape { private int _n; public int Next() => ++_n; } class Till(Tape tape) { public int Sell() => tape.Next() + tape.Next(); }")]
    [InlineData(
        "JV505", "Singleton.Of<Deck>()",
        "interface IMast; class Fore : IMast; class Main : IMast; record Deck(IReadOnlyList<IMast> Masts, IMast? Mast = null);")]
    public void What_only_the_developer_can_decide_is_left_by_hand(string code, string registrations, string types)
    {
        FixedSource source = Of(registrations, types);

        (FixedSource after, IReadOnlyList<FixOutcome> done) = source.Fix();

        Assert.Contains(done, each => each.Fault.Code == code);
        Assert.All(done.Where(each => each.Fault.Code == code), each => Assert.NotNull(each.Obstacle));
        Assert.Equal(source.Text, after.Text);
    }

    private static FixedSource Holding(string holder) => Of("Scoped.Of<Ledger>(), Singleton.Of<Poller>()", $"{Ledger}{holder}");

    private static FixedSource Of(string registrations, string types) => FixedSource.OfText($$"""
        using Junctivor;

        public static class Office
        {
            [CheckedWiring]
            public static Wiring Wiring => [{{registrations}}];
        }

        {{types}}

        """);
}
