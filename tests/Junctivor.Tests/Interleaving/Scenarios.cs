using System.Reflection;

namespace Junctivor.Tests.Interleaving;

/// <summary>What threads do at the same time: each is tried in every order of steps. They work with the rewritten library.</summary>
public static class Scenarios
{
    private const int MostRuns = 400_000;
    private const int MostAttempts = 5;

    private static readonly BuildOptions AtOnce = new()
    {
        Compilation = PlanCompilation.Immediate,
        ConstructionTimeout = Timeout.InfiniteTimeSpan,
    };

    /// <summary>Tries one in every order.</summary>
    /// <param name="name">Its name.</param>
    /// <param name="mostPreemptions">How often a thread is interrupted.</param>
    /// <returns>How many orders there were; what went wrong is thrown, with the order.</returns>
    public static int Try(string name, int mostPreemptions)
    {
        Func<(Action[] Threads, Action Verify)> prepare =
            (Func<(Action[], Action)>)typeof(Scenarios).GetMethod(name, BindingFlags.NonPublic | BindingFlags.Static)!.Invoke(null, null)!;
        for (int attempt = 1; ; attempt++)
        {
            Decisions decisions = new(mostPreemptions);
            int runs = TryAll(name, prepare, decisions);
            if (decisions.Divergences * 100 < runs)
            {
                return runs;
            }

            // What the process does once, such as the start of a type, changes the steps of a run. It is done when all is tried again.
            if (attempt == MostAttempts)
            {
                throw new InvalidOperationException(
                    $"{decisions.Divergences} of {runs} runs of {name} did not go as the one before: that is no trial of every order.");
            }
        }
    }

    private static int TryAll(string name, Func<(Action[] Threads, Action Verify)> prepare, Decisions decisions)
    {
        int runs = 0;
        do
        {
            (Action[] threads, Action verify) = prepare();
            try
            {
                Schedule.Run(threads, decisions);
                verify();
            }
            catch (Exception failure)
            {
                throw new InvalidOperationException($"{name}, run {runs}, order {decisions}: {failure.Message}", failure);
            }

            if (++runs == MostRuns)
            {
                throw new InvalidOperationException($"{name} has more than {MostRuns} orders: make it smaller.");
            }
        }
        while (decisions.GoOn());

        return runs;
    }

    /// <summary>Somebody opens and shuts the observation, and puts another type where the first one stood.</summary>
    private static Func<(Action[], Action)> Observed_while_resolved()
    {
        (Type one, Type other) = TypesOfOnePlace();
        Container container = new Wiring { Singleton.Of(one), Singleton.Of(other) }.Build(AtOnce);
        return () =>
        {
            // The table is emptied, and this one is the first to come.
            container.Observe(_ => { }).Dispose();
            container.Resolve(one);
            object?[] seen = new object?[2];
            return (
            [
                () => seen[0] = container.Resolve(one),
                () =>
                {
                    container.Observe(_ => { }).Dispose();
                    seen[1] = container.Resolve(other);
                },
            ],
            () => Assert(seen[0]!.GetType() == one && seen[1]!.GetType() == other, "another type than was requested"));
        };
    }

    /// <summary>The table grows, and shuts, while others read it.</summary>
    private static Func<(Action[], Action)> Grown_while_resolved()
    {
        return () =>
        {
            Container container =
                new Wiring
                {
                    Singleton.Of<Box<int>>(), Singleton.Of<Box<long>>(), Transient.Of<Box<byte>>(), Singleton.Of<Box<char>>(),
                    Singleton.Of<Box<short>>(),
                }.Build(AtOnce);
            container.Resolve<Box<int>>();
            container.Resolve<Box<long>>();
            container.Resolve<Box<char>>();
            object?[] seen = new object?[2];
            return (
            [
                () => seen[0] = container.Resolve(typeof(Box<int>)),
                () =>
                {
                    container.Resolve<Box<byte>>();
                    seen[1] = container.Resolve(typeof(Box<short>));
                },
            ],
            () => Assert(seen[0] is Box<int> && seen[1] is Box<short>, "another type than was requested"));
        };
    }

    /// <summary>Two threads make overlapping services in one go in a scope that is empty.</summary>
    private static Func<(Action[], Action)> Made_twice_at_once()
    {
        Container container = Office();
        return () =>
        {
            Scope scope = container.StartScope();
            Quay? quay = null;
            Desk? desk = null;
            return (
            [
                () => quay = scope.Resolve<Quay>(),
                () => desk = scope.Resolve<Desk>(),
            ],
            () =>
            {
                Assert(ReferenceEquals(quay!.Berth, desk!.Berth) && ReferenceEquals(quay.Berth, scope.Resolve<Berth>()), "two of one");
                scope.Dispose();
                Assert(quay.Berth.Ends == 1 && desk.Pen.Ends == 1, "not ended once");
            }
            );
        };
    }

    /// <summary>A scope ends while something is created in it in one go.</summary>
    private static Func<(Action[], Action)> Ended_while_made()
    {
        Container container = Office();
        return () =>
        {
            Scope scope = container.StartScope();
            Quay? quay = null;
            return (
            [
                () => quay = OrNull(scope.Resolve<Quay>),
                scope.Dispose,
            ],
            () => Assert(quay is null || quay.Berth.Ends == 1, "made, and not ended once"));
        };
    }

    /// <summary>A scope ends while one thread creates something in one go, and another step by step.</summary>
    private static Func<(Action[], Action)> Ended_while_made_both_ways()
    {
        Container container = Office();
        return () =>
        {
            Scope scope = container.StartScope();
            Quay? quay = null;
            Watched? watched = null;
            int before = Watched.Made;
            int ended = Watched.AllEnds;
            return (
            [
                () => quay = OrNull(scope.Resolve<Quay>),
                () => watched = OrNull(scope.Resolve<Watched>),
                scope.Dispose,
            ],
            () =>
            {
                Assert(quay is null || quay.Berth.Ends == 1, "made, and not ended once");
                Assert(Watched.Made - before == Watched.AllEnds - ended && Watched.Made - before <= 1,
                    "made step by step, and not ended once");
                Assert(watched is null || quay is null || ReferenceEquals(watched.Berth, quay.Berth), "two of one");
            }
            );
        };
    }

    /// <summary>Two threads make the same step by step: one waits for the other.</summary>
    private static Func<(Action[], Action)> Made_step_by_step_twice()
    {
        Container container = Office();
        return () =>
        {
            Scope scope = container.StartScope();
            Watched? one = null;
            Watched? other = null;
            int before = Watched.Made;
            return (
            [
                () => one = scope.Resolve<Watched>(),
                () => other = scope.Resolve<Watched>(),
            ],
            () =>
            {
                scope.Dispose();
                Assert(ReferenceEquals(one, other) && Watched.Made == before + 1 && one!.Ends == 1, "not one, or not ended once");
            }
            );
        };
    }

    /// <summary>Whoever has created a claim gives it back, while others want what was claimed and the scope ends.</summary>
    private static Func<(Action[], Action)> Claim_given_back()
    {
        Container container = Office();
        return () =>
        {
            Scope scope = container.StartScope();
            Quay? quay = null;
            return ([() => ClaimAndGiveBack(scope), () => quay = OrNull(scope.Resolve<Quay>), scope.Dispose],
                () => Assert(quay is null || quay.Berth.Ends == 1, "made, and not ended once"));
        };
    }

    /// <summary>Whoever waits for what is claimed creates it once the claim is given back.</summary>
    private static Func<(Action[], Action)> Claim_given_back_to_who_waits()
    {
        Container container = Office();
        return () =>
        {
            Scope scope = container.StartScope();
            Quay? quay = null;
            return ([() => ClaimAndGiveBack(scope), () => quay = scope.Resolve<Quay>()],
                () => Assert(quay == scope.Resolve<Quay>(), "made twice, or not at all"));
        };
    }

    private static void ClaimAndGiveBack(Scope scope)
    {
        Type compiled = typeof(Scope).Assembly.GetType("Junctivor.Runtime.CodeCalls", throwOnError: true)!;
        if ((bool)compiled.GetMethod("TryClaim")!.Invoke(null, [scope, 1L, 1L])!)
        {
            compiled.GetMethod("GiveBack")!.Invoke(null, [scope, 1L]);
        }
    }

    /// <summary>Two threads end one scope: who has waited, has waited for everything.</summary>
    private static Func<(Action[], Action)> Ended_twice()
    {
        Container container = Office();
        return () =>
        {
            Scope scope = container.StartScope();
            Berth berth = scope.Resolve<Quay>().Berth;
            List<Task> ends = [];
            void End()
            {
                ValueTask end = scope.DisposeAsync();
                Assert(!end.IsCompleted || berth.Ends == 1, "completed before it has ended");
                Task task = end.AsTask();
                lock (ends)
                {
                    ends.Add(task);
                }
            }

            return (
            [
                End,
                End,
            ],
            () =>
            {
                Assert(Task.WhenAll(ends).Wait(TimeSpan.FromSeconds(10)), "an end never completes");
                Assert(berth.Ends == 1, "not ended once");
            }
            );
        };
    }

    /// <summary>An empty scope is ended by two threads, of which one awaits it.</summary>
    private static Func<(Action[], Action)> Ended_twice_with_nothing_in_it()
    {
        Container container = Office();
        return () =>
        {
            Scope scope = container.StartScope();
            Task? end = null;
            return (
            [
                scope.Dispose,
                () => end = scope.DisposeAsync().AsTask(),
            ],
            () => Assert(end!.Wait(TimeSpan.FromSeconds(10)), "the end never completes"));
        };
    }

    private static Container Office()
    {
        Container container =
            new Wiring { Scoped.Of<Berth>(), Scoped.Of<Pen>(), Scoped.Of<Quay>(), Scoped.Of<Desk>(), Scoped.Of<Watched>() }.Build(AtOnce);
        for (int time = 0; time < 3; time++)
        {
            using Scope warm = container.StartScope();
            warm.Resolve<Quay>();
            using Scope other = container.StartScope();
            other.Resolve<Desk>();
        }

        for (int time = 0; time < 20; time++)
        {
            using Scope warm = container.StartScope();
            warm.Resolve<Watched>();
        }

        return container;
    }

    private static T? OrNull<T>(Func<T> resolve)
        where T : class
    {
        try
        {
            return resolve();
        }
        catch (ObjectDisposedException)
        {
            return null;
        }
    }

    private static void Assert(bool holds, string otherwise)
    {
        if (!holds)
        {
            throw new InvalidOperationException(otherwise);
        }
    }

    /// <summary>Two types that stand first of all in one place of a small table.</summary>
    private static (Type One, Type Other) TypesOfOnePlace()
    {
        Type[] arguments = [typeof(int), typeof(string), typeof(long), typeof(object), typeof(Guid), typeof(byte), typeof(Uri),
            typeof(Version), typeof(char)];
        IGrouping<int, Type> together = arguments
            .SelectMany(_ => arguments, (one, other) => typeof(Box<>).MakeGenericType(typeof(Tuple<,>).MakeGenericType(one, other)))
            .GroupBy(type => (int)(((uint)(type.TypeHandle.Value >> 3) * 2_654_435_769) >> 8) & 15)
            .First(group => group.Count() > 1);
        return (together.First(), together.Last());
    }

    public sealed class Box<T>;

    public sealed class Berth : IDisposable
    {
        public int Ends { get; private set; }

        public void Dispose() => Ends++;
    }

    public sealed class Pen : IDisposable
    {
        public int Ends { get; private set; }

        public void Dispose() => Ends++;
    }

    public sealed record Quay(Berth Berth);

    public sealed record Desk(Berth Berth, Pen Pen);

    /// <summary>Everybody sees that it is created, so it is created step by step.</summary>
    public sealed class Watched : IDisposable
    {
        public Watched(Berth berth)
        {
            Berth = berth;
            Made++;
        }

        public static int Made { get; private set; }

        public static int AllEnds { get; private set; }

        public Berth Berth { get; }

        public int Ends { get; private set; }

        public void Dispose()
        {
            Ends++;
            AllEnds++;
        }
    }
}
