using CsCheck;

namespace Junctivor.Tests.Properties;

/// <summary>Compiled or not, everything is created in the same way.</summary>
public class TierProperties
{
    private const int Samples = 300;

    [Fact]
    public void Whatever_is_compiled_the_same_is_created_shared_and_disposed() => Gen.Select(RandomWiring.Gen, Gen.Int[0, 1023]).Sample(
        (random, plain) =>
        {
            string byReflection = Run(random, plain, PlanCompilation.Never);

            Assert.Equal(byReflection, Run(random, plain, PlanCompilation.Immediate));
            Assert.Equal(byReflection, Run(random, plain, PlanCompilation.InBackground));
        },
        iter: Samples,
        threads: 1);

    /// <summary>Resolves everything in every scope, again and again, so that compiled code meets empty scopes as well as warm
    /// ones.</summary>
    private static string Run(RandomWiring random, int plain, PlanCompilation compilation)
    {
        Journal journal = new();
        Story story = new();
        Container container = random.ToWiring(journal, node => (plain >> node & 1) == 1)
            .Build(new BuildOptions { Compilation = compilation });
        ResolveAll(container);
        for (int shifts = 1; shifts <= 2; shifts++)
        {
            using Scope shift = container.StartScope(random.Shift);
            ResolveAll(shift);
            for (int requests = 1; requests <= 3; requests++)
            {
                using (Scope request = shift.StartScope())
                {
                    ResolveAll(request, requests);
                }

                using (Scope request = container.StartScope())
                {
                    ResolveAll(request, requests + 1);
                }

                story.Tell(string.Join(", ", journal.EndedIds));
                container.WaitForCompilationAsync(TestContext.Current.CancellationToken).GetAwaiter().GetResult();
            }
        }

        container.Dispose();
        story.Tell(string.Join(", ", journal.EndedIds));
        return story.ToString();

        void ResolveAll(Resolver resolver, int first = 0)
        {
            for (int number = 0; number < random.Nodes.Count * 2; number++)
            {
                story.Tell(resolver, random.Nodes[(number + first) % random.Nodes.Count].Service);
            }
        }
    }
}
