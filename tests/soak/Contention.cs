using System.Collections.Concurrent;
using System.Globalization;

namespace Junctivor.Soak;

/// <summary>Threads that resolve, start scopes, branch, observe, warm up and end, all at once and as they like.</summary>
internal static class Contention
{
    private const int Threads = 6;

    public static Outcome Run(TimeSpan time, string? seed)
    {
        DateTime end = DateTime.UtcNow + time;
        ConcurrentQueue<string> troubles = new();
        long containers = 0;
        long calls = 0;
        for (int round = 0; DateTime.UtcNow < end && troubles.IsEmpty; round++)
        {
            Round(round, (PlanCompilation)(round % 3), troubles, ref calls);
            containers++;
        }

        return new Outcome(
            string.Create(CultureInfo.InvariantCulture, $"{calls:N0} calls of {Threads} threads on {containers:N0} containers"),
            troubles.IsEmpty ? null : string.Join('\n', troubles));
    }

    private static void Round(int round, PlanCompilation compilation, ConcurrentQueue<string> troubles, ref long calls)
    {
        Counts counts = new();
        Container container = new Wiring
        {
            Singleton.Value(counts),
            Singleton.Of<Lamp>().WarmUp((_, _) => Task.CompletedTask).WindDown((_, _) => Task.CompletedTask),
            Scoped.Of<Log>(),
            Scoped.Of<Page>(),
            Transient.Of<Pen>(),
            Transient.Of<Sheet>(),
            Singleton.Of(typeof(Shelf<>)),
        }.Build(new BuildOptions { Compilation = compilation });
        using Barrier start = new(Threads);
        long made = 0;
        Thread[] threads =
        [
            .. Enumerable.Range(0, Threads).Select(number => new Thread(() =>
            {
                Random random = new((round * Threads) + number);
                start.SignalAndWait();
                for (int step = 0; step < 300; step++)
                {
                    try
                    {
                        Step(container, random, isLast: number == 0 && step == 299);
                        Interlocked.Increment(ref made);
                    }
                    catch (Exception failure) when (HasEnded(failure))
                    {
                        // Somebody is disposed it.
                    }
                    catch (Exception failure)
                    {
                        troubles.Enqueue($"round {round}, {compilation}: {failure}");
                    }
                }
            })),
        ];
        Array.ForEach(threads, thread => thread.Start());
        Array.ForEach(threads, thread =>
        {
            if (!thread.Join(TimeSpan.FromMinutes(1)))
            {
                troubles.Enqueue($"round {round}, {compilation}: a thread hangs");
            }
        });
        container.DisposeAsync().AsTask().Wait();
        calls += made;
        if (counts.Made != counts.Ended)
        {
            troubles.Enqueue($"round {round}, {compilation}: {counts.Made} made, {counts.Ended} ended");
        }
    }

    private static void Step(Container container, Random random, bool isLast)
    {
        switch (isLast ? 9 : random.Next(9))
        {
            case 0:
                Expect(container.Resolve<Lamp>(), container.Resolve<Lamp>());
                break;
            case 1:
                using (Scope scope = container.StartScope())
                {
                    Expect(scope.Resolve<Page>().Log, scope.Resolve<Log>());
                }

                break;
            case 2:
                using (Scope scope = container.StartScope())
                {
                    Parallel.Invoke(() => scope.Resolve<Page>(), () => scope.Resolve<Sheet>(), () => OrEnded(scope.Resolve<Log>));
                }

                break;
            case 3:
                Scope shared = container.StartScope();
                Parallel.Invoke(
                    () => OrEnded(shared.Resolve<Page>), () => OrEnded(shared.Resolve<Sheet>), shared.Dispose,
                    () => shared.DisposeAsync().AsTask().Wait());
                break;
            case 4:
                using (container.Observe(_ => { }))
                {
                    container.Resolve<Lamp>();
                }

                break;
            case 5:
                using (Container branch = container.Branch([Scoped.Of<Log>().Replacing()]))
                using (Scope scope = branch.StartScope())
                {
                    Expect(scope.Resolve<Page>().Lamp, container.Resolve<Lamp>());
                }

                break;
            case 6:
                container.WarmUpAsync().Wait();
                break;
            case 7:
                Type[] types = [typeof(int), typeof(string), typeof(byte), typeof(char), typeof(long), typeof(Uri)];
                object shelf = container.Resolve(typeof(Shelf<>).MakeGenericType(types[random.Next(types.Length)]));
                Expect(shelf, container.Resolve(shelf.GetType()));
                break;
            case 8:
                container.Resolve<FreshScope<Page>>().Run(page => page.Log.ToString());
                break;
            default:
                container.DisposeAsync().AsTask().Wait();
                break;
        }
    }

    private static void Expect(object one, object other)
    {
        if (!ReferenceEquals(one, other))
        {
            throw new InvalidOperationException($"{one} and {other} are to be one");
        }
    }

    private static bool HasEnded(Exception failure) =>
        failure is ObjectDisposedException || (failure is AggregateException several && several.Flatten().InnerExceptions.All(HasEnded));

    private static void OrEnded<T>(Func<T> resolve)
    {
        try
        {
            resolve();
        }
        catch (ObjectDisposedException)
        {
            // It may end first.
        }
    }

    /// <summary>How many were created that are to be disposed, as far as they can be seen, and how many are disposed.</summary>
    private sealed class Counts
    {
        private int _made;
        private int _ended;

        public int Made => _made;

        public int Ended => _ended;

        public void Make() => Interlocked.Increment(ref _made);

        public void End() => Interlocked.Increment(ref _ended);
    }

    private sealed class Lamp : IDisposable
    {
        private readonly Counts _counts;

        public Lamp(Counts counts)
        {
            _counts = counts;
            counts.Make();
        }

        public void Dispose() => _counts.End();
    }

    private sealed class Log : IDisposable
    {
        private readonly Counts _counts;

        public Log(Counts counts)
        {
            _counts = counts;
            counts.Make();
        }

        public void Dispose() => _counts.End();
    }

    private sealed class Pen : IDisposable, IAsyncDisposable
    {
        private readonly Counts _counts;

        public Pen(Counts counts)
        {
            _counts = counts;
            counts.Make();
        }

        public void Dispose() => _counts.End();

        public async ValueTask DisposeAsync()
        {
            await Task.Yield();
            _counts.End();
        }
    }

    private sealed record Page(Log Log, Lamp Lamp);

    private sealed record Sheet(Page Page, Pen Pen, Pen Second);

    private sealed class Shelf<T>;
}
