namespace Junctivor.Model;

/// <summary>
/// Lets each moment of a story fail once: each constructor, factory, setter, disposal and warm-up, and each cancellation. The same request
/// must succeed when it is created again, and what was created must be ended exactly once.
/// </summary>
public static class FaultInjection
{
    /// <param name="entries">A wiring; one that is not sound is passed over.</param>
    /// <param name="turn">In which order everything is resolved.</param>
    /// <param name="compilation">When code is compiled.</param>
    /// <param name="runs">How often the story was told.</param>
    /// <returns>What went wrong; null if nothing did.</returns>
    public static string? Trouble(IReadOnlyList<Entry> entries, int turn, PlanCompilation compilation, out int runs)
    {
        IReadOnlyList<Entry> owned = [.. entries.Select(entry => entry with { IsOwnedOtherwise = false })];
        Specification specification = new(owned);
        runs = 0;
        if (specification.Faults.Count > 0)
        {
            return null;
        }

        for (int moment = 1; ; moment++)
        {
            runs++;
            Journal journal = new() { FailsAt = moment };
            try
            {
                Tell(owned, specification, journal, turn, compilation);
            }
            catch (Exception failure)
            {
                return $"Moment {moment} fails, {compilation}, turn {turn}: {failure}\n{new Registrations(owned)}";
            }

            if (journal.Wrong.Count > 0)
            {
                return $"Moment {moment} fails, {compilation}, turn {turn}: {string.Join(", ", journal.Wrong)}\n{new Registrations(owned)}";
            }

            if (journal.Moments < moment)
            {
                return null;
            }
        }
    }

    private static void Tell(
        IReadOnlyList<Entry> entries, Specification specification, Journal journal, int turn, PlanCompilation compilation)
    {
        RealRun run = new(entries, specification, journal, compilation, [.. Further(journal)]);
        Container container = (Container)run.Root;
        WarmUp(container);
        for (int time = 0; time < 3; time++)
        {
            InjectedFailure.Retry(container.Resolve<Warm>);
            InjectedFailure.Retry(container.Resolve<Filled>);
        }

        Story.Of(run, journal, turn);
    }

    private static void WarmUp(Container container)
    {
        try
        {
            container.WarmUpAsync().GetAwaiter().GetResult();
        }
        catch (Exception failure) when (failure is OperationCanceledException || InjectedFailure.IsIn(failure))
        {
            container.WarmUpAsync().GetAwaiter().GetResult();
        }
    }

    /// <summary>What is awaited, warmed up, canceled and filled.</summary>
    private static IEnumerable<Registration> Further(Journal journal) =>
    [
        Transient.Of<Tool>(),
        Transient.Of<Filled>(),
        Singleton.FromAsync(async (Tool tool, CancellationToken stop) => await Warm.MakeAsync(journal, tool, stop))
            .WarmUp(async (_, _) =>
            {
                await Task.Yield();
                journal.Pass();
            })
            .WindDown((_, _) =>
            {
                journal.Pass();
                return Task.CompletedTask;
            }),
        Singleton.Of<Canceled>().WarmUp((_, _) =>
        {
            try
            {
                journal.Pass();
                return Task.CompletedTask;
            }
            catch (InjectedFailure failure)
            {
                return Task.FromException(new OperationCanceledException("It was to be canceled.", failure));
            }
        }),
        Scoped.FromAsync(async (Tool tool, CancellationToken stop) => await PerScope.MakeAsync(journal, tool, stop)),
    ];

    public sealed class Tool : IAsyncDisposable
    {
        private readonly Journal _journal;
        private readonly int _number;

        public Tool(Journal journal)
        {
            _journal = journal;
            _number = journal.Make("tool", this);
        }

        public async ValueTask DisposeAsync()
        {
            await Task.Yield();
            _journal.End("tool", _number);
        }
    }

    public sealed class Filled : IDisposable
    {
        private readonly Journal _journal;
        private readonly int _number;

        public Filled(Journal journal)
        {
            _journal = journal;
            _number = journal.Make("filled", this);
        }

        [Inject]
        public Tool? Tool
        {
            get;
            set
            {
                _journal.Pass();
                field = value;
            }
        }

        public void Dispose() => _journal.End("filled", _number);
    }

    public sealed class Canceled;

    public sealed class Warm : IDisposable
    {
        private readonly Journal _journal;
        private readonly int _number;

        private Warm(Journal journal)
        {
            _journal = journal;
            _number = journal.Make("warm", this);
        }

        public static async Task<Warm> MakeAsync(Journal journal, Tool tool, CancellationToken stop)
        {
            ArgumentNullException.ThrowIfNull(tool);
            await Task.Yield();
            stop.ThrowIfCancellationRequested();
            return new Warm(journal);
        }

        public void Dispose() => _journal.End("warm", _number);
    }

    public sealed class PerScope : IAsyncDisposable
    {
        private readonly Journal _journal;
        private readonly int _number;

        private PerScope(Journal journal)
        {
            _journal = journal;
            _number = journal.Make("per scope", this);
        }

        public static async Task<PerScope> MakeAsync(Journal journal, Tool tool, CancellationToken stop)
        {
            ArgumentNullException.ThrowIfNull(tool);
            await Task.Yield();
            stop.ThrowIfCancellationRequested();
            return new PerScope(journal);
        }

        public ValueTask DisposeAsync()
        {
            _journal.End("per scope", _number);
            return ValueTask.CompletedTask;
        }
    }
}
