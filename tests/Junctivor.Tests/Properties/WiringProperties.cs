using CsCheck;

namespace Junctivor.Tests.Properties;

public class WiringProperties
{
    private const int Samples = 300;

    [Fact]
    public void What_the_check_calls_sound_resolves_with_the_lifetimes_that_it_says() => RandomWiring.Gen.Sample(
        random =>
        {
            Journal journal = new();
            Wiring wiring = random.ToWiring(journal);
            Assert.Empty(wiring.Check().Faults);

            Container container = wiring.Build();
            ResolveAll(container, random.Nodes.Where(node => !node.NeedsScope));
            for (int scopes = 1; scopes <= 2; scopes++)
            {
                int endedBefore = journal.Ended.Count;
                using (Scope scope = container.StartScope())
                {
                    ResolveAll(scope, random.Nodes);
                    ResolveAll(scope, random.Nodes);
                    foreach (RandomWiring.Node node in random.Nodes.Where(node => node.Lifetime == Lifetime.Scoped))
                    {
                        Assert.Equal(scopes, journal.CountOf(node.Id));
                    }
                }

                AssertEndedInReverse(journal, endedBefore);
            }

            foreach (RandomWiring.Node node in random.Nodes.Where(node => node.Lifetime == Lifetime.Singleton))
            {
                Assert.Equal(1, journal.CountOf(node.Id));
            }

            int endedByScopes = journal.Ended.Count;
            container.Dispose();
            AssertEndedInReverse(journal, endedByScopes);
            Assert.Equal(Enumerable.Range(1, journal.Count), journal.Ended.Order());
        },
        iter: Samples,
        threads: 1);

    [Fact]
    public void A_fault_put_into_a_sound_wiring_is_found_under_its_code() => Gen.Select(RandomWiring.Gen, Gen.Int[0, 7], Gen.Int[0, 99]).Sample(
        (random, kind, where) =>
        {
            RandomWiring.Node node = random.Nodes[where % random.Nodes.Count];
            (string code, Wiring wiring) = Spoil(random, kind, node);

            Assert.Contains(code, wiring.Check().Faults.Select(fault => fault.Code));
            WiringException thrown = Assert.Throws<WiringException>(() => wiring.Build());
            Assert.Equal(wiring.Check().ToString(), thrown.Message);
        },
        iter: Samples,
        threads: 1);

    private static (string Code, Wiring Wiring) Spoil(RandomWiring random, int kind, RandomWiring.Node node)
    {
        Wiring sound = random.ToWiring(new Journal());
        Wiring without = [.. sound.Where(registration => registration.Service != node.Service)];
        return kind switch
        {
            0 => ("JV101", [.. without, node.WithFurtherNeed(typeof(IStrange))]),
            1 => ("JV102", [.. sound, Singleton.Of(typeof(IStrange))]),
            2 => ("JV103", [.. sound, Transient.Of<Checking.ClassTests.Torn>()]),
            3 => ("JV104", [.. sound, Singleton.ValueAs(typeof(IStrange), new Nothing())]),
            4 => ("JV201", [.. without, node.WithFurtherNeed(node.Service)]),
            5 => ("JV202", [.. sound, Singleton.Of<Nothing>()]),
            6 => ("JV203", [.. sound, Singleton.Of<SystemClock>().Replacing()]),
            _ => ("JV301", [.. without, Scoped.Of<IClock, SystemClock>(), node.Of(Lifetime.Singleton, typeof(Made<,,,>).MakeGenericType(node.Id, typeof(IClock), typeof(Nothing), typeof(Nothing)))]),
        };
    }

    private static void ResolveAll(Resolver resolver, IEnumerable<RandomWiring.Node> nodes)
    {
        foreach (RandomWiring.Node node in nodes)
        {
            object part = resolver.Resolve(node.Service);
            node.Service.GetMethod("Touch")!.Invoke(part, null);
        }
    }

    private static void AssertEndedInReverse(Journal journal, int from)
    {
        IReadOnlyList<int> ended = [.. journal.Ended.Skip(from)];
        Assert.Equal(ended.OrderDescending(), ended);
    }
}
