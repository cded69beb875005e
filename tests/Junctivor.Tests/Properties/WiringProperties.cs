using CsCheck;

namespace Junctivor.Tests.Properties;

public class WiringProperties
{
    private const int Samples = 400;

    [Fact]
    public void What_the_check_calls_sound_resolves_with_the_lifetimes_that_it_says() => RandomWiring.Gen.Sample(
        random =>
        {
            Journal journal = new();
            Wiring wiring = random.ToWiring(journal);
            Assert.Empty(wiring.Check().Errors);

            Container container = wiring.Build();
            ResolveAll(container, random, Life.Singleton);
            for (int shifts = 1; shifts <= 2; shifts++)
            {
                Ending(journal, () => container.StartScope(random.Shift), shift =>
                {
                    ResolveAll(shift, random, Life.Shift);
                    for (int requests = 1; requests <= 2; requests++)
                    {
                        Ending(journal, () => shift.StartScope(), request =>
                        {
                            ResolveAll(request, random, Life.Transient);
                            ResolveAll(request, random, Life.Transient);
                        });
                        AssertMade(journal, random, Life.Scoped, ((shifts - 1) * 2) + requests);
                    }
                });
                AssertMade(journal, random, Life.Shift, shifts);
            }

            AssertMade(journal, random, Life.Singleton, 1);
            Ending(journal, () => container, _ => { });
            Assert.Equal(Enumerable.Range(1, journal.Count), journal.Ended.Order());
        },
        iter: Samples,
        threads: 1);

    [Fact]
    public void A_fault_put_into_a_sound_wiring_is_found_under_its_code() =>
        Gen.Select(RandomWiring.Gen, Gen.Int[0, 8], Gen.Int[0, 99]).Sample(
        (random, kind, where) =>
        {
            RandomNode node = random.Nodes[where % random.Nodes.Count];
            (string code, Wiring wiring) = Spoil(random, kind, node);

            Assert.Contains(code, wiring.Check().Errors.Select(fault => fault.Code));
            WiringException thrown = Assert.Throws<WiringException>(() => wiring.Build());
            Assert.Equal(wiring.Check().ToString(), thrown.Message);
        },
        iter: Samples,
        threads: 1);

    private static (string Code, Wiring Wiring) Spoil(RandomWiring random, int kind, RandomNode node)
    {
        Wiring sound = random.ToWiring(new Journal());
        Wiring without = [.. sound.Where(
            registration => registration.Service != node.Service
                || registration.ToString()!.StartsWith("decorator", StringComparison.Ordinal))];
        Type holdingAClock = typeof(Made<,,,>).MakeGenericType(node.Id, typeof(IClock), typeof(Nothing), typeof(Nothing));
        return kind switch
        {
            0 => ("JV101", [.. without, node.WithFurtherNeed(random.Shift, typeof(IStrange))]),
            1 => ("JV102", [.. sound, Singleton.Of(typeof(IStrange))]),
            2 => ("JV103", [.. sound, Transient.Of<Checks.ClassTests.Torn>()]),
            3 => ("JV104", [.. sound, Singleton.ValueAs(typeof(IStrange), new Nothing())]),
            4 => ("JV201", [.. without, node.WithFurtherNeed(random.Shift, node.Alias)]),
            5 => ("JV202", [.. sound, Singleton.Of<Nothing>()]),
            6 => ("JV203", [.. sound, Singleton.Of<SystemClock>().Replacing()]),
            7 => ("JV301", [.. without, Scoped.Of<IClock, SystemClock>(), node.Of(Life.Shift, random.Shift, holdingAClock)]),
            _ => ("JV301", [.. without, random.Shift.Of<IClock, SystemClock>(), node.Of(Life.Singleton, random.Shift, holdingAClock)]),
        };
    }

    /// <summary>Resolves what can live here, and uses it.</summary>
    private static void ResolveAll(Resolver resolver, RandomWiring random, Life longest)
    {
        foreach (RandomNode node in random.Nodes.Where(node => node.Reach <= longest))
        {
            object part = resolver.Resolve(node.Service);
            Assert.Equal(node.Life != Life.Transient, ReferenceEquals(part, resolver.Resolve(node.Alias)));
            node.Alias.GetMethod("Touch")!.Invoke(part, null);
        }
    }

    private static void AssertMade(Journal journal, RandomWiring random, Life life, int times) =>
        Assert.All(random.Nodes.Where(node => node.Life == life), node => Assert.Equal(times, journal.CountOf(node.Id)));

    /// <summary>Ends what was started; what that ends must end in reverse order of creation.</summary>
    private static void Ending<T>(Journal journal, Func<T> start, Action<T> use)
        where T : Resolver
    {
        T started = start();
        use(started);
        int before = journal.Ended.Count;
        started.Dispose();
        IReadOnlyList<int> ended = [.. journal.Ended.Skip(before)];
        Assert.Equal(ended.OrderDescending(), ended);
    }
}
