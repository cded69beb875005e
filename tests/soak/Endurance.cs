using System.Globalization;

namespace Junctivor.Soak;

/// <summary>Very many of one thing: what is left of them is nothing.</summary>
internal static class Endurance
{
    private const long MostLeft = 64 << 10;

    public static Outcome Scopes(TimeSpan time, string? seed)
    {
        const int Count = 1_000_000;
        using Container container = Office();
        void Work(int number)
        {
            Scope scope = container.StartScope(Incoming.Value(new Guest(number)));
            Use(scope.Resolve<Desk>());
            if (number % 2 == 0)
            {
                scope.Dispose();
            }
            else
            {
                scope.DisposeAsync().AsTask().Wait();
            }
        }

        return Compare("scopes", Count, Work);
    }

    public static Outcome Sessions(TimeSpan time, string? seed)
    {
        const int Count = 100_000;
        ScopeLevel level = new("user session");
        using Container container = new Wiring { level.Of<Book>() }.Build();
        Sessions sessions = new(container, level, (_, failure) => Task.FromException(failure)) { MaxCount = 100 };
        void Work(int number)
        {
            SessionVisit visit = sessions.EnterAsync($"{number}").AsTask().Result;
            Use(visit.Scope.Resolve<Book>());
            visit.DisposeAsync().AsTask().Wait();
            if (number % 1000 == 0)
            {
                // Those that had to give way end in the background, which is not to fall behind.
                Settle();
            }
        }

        Outcome outcome = Compare("sessions", Count, Work);
        sessions.DisposeAsync().AsTask().Wait();
        return outcome;
    }

    public static Outcome Resolutions(TimeSpan time, string? seed)
    {
        const long Count = 1_000_000_000;
        using Container container = Office();
        using Scope scope = container.StartScope(Incoming.Value(new Guest(0)));
        object lamp = container.Resolve<Lamp>();
        object desk = scope.Resolve<Desk>();
        for (long number = 0; number < Count; number += 4)
        {
            if (!ReferenceEquals(container.Resolve<Lamp>(), lamp) || !ReferenceEquals(scope.Resolve<Desk>(), desk)
                || !ReferenceEquals(container.Resolve(typeof(Lamp)), lamp) || container.Resolve<Pen>() is not { Lamp: not null })
            {
                return new Outcome($"{number} resolutions", "another object than was requested");
            }
        }

        return new Outcome(string.Create(CultureInfo.InvariantCulture, $"{Count:N0} resolutions"), null);
    }

    private static Outcome Compare(string what, int count, Action<int> work)
    {
        for (int number = 0; number < 20_000; number++)
        {
            work(number);
        }

        long before = Heap();
        for (int number = 0; number < count; number++)
        {
            work(number);
        }

        long left = Heap() - before;
        return new Outcome(
            string.Create(CultureInfo.InvariantCulture, $"{count:N0} {what}; the heap was {left:N0} bytes larger then"),
            left > MostLeft ? $"{left} bytes are left of {count} {what}" : null);
    }

    private static long Heap()
    {
        Settle();
        for (int time = 0; time < 3; time++)
        {
            GC.Collect();
            GC.WaitForPendingFinalizers();
        }

        return GC.GetTotalMemory(forceFullCollection: true);
    }

    private static void Settle()
    {
        while (ThreadPool.PendingWorkItemCount > 0)
        {
            Thread.Sleep(1);
        }
    }

    private static void Use(object made) => ArgumentNullException.ThrowIfNull(made);

    private static Container Office() => new Wiring
    {
        Singleton.Of<Lamp>(),
        Transient.Of<Pen>(),
        Scoped.Incoming<Guest>(),
        Scoped.Of<Book>(),
        Scoped.Of<Desk>(),
    }.Build();

    private sealed class Lamp;

    private sealed record Pen(Lamp Lamp);

    private sealed record Guest(int Number);

    private sealed class Book : IDisposable
    {
        public bool HasEnded { get; private set; }

        public void Dispose() => HasEnded = true;
    }

    private sealed record Desk(Guest Guest, Book Book, Pen Pen);
}
