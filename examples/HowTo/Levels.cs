namespace HowTo;

/// <summary>A level of your own: a duty shift around requests. Its services live as long as the shift.</summary>
internal static class Levels
{
    private static readonly ScopeLevel DutyShift = new("duty shift");

    public static void Run()
    {
        Wiring wiring =
        [
            DutyShift.Incoming<Watch>(),
            DutyShift.Of<DutyRoster>(),
            Scoped.Of<BookingDesk>(),
        ];
        using Container container = wiring.Build();

        foreach (string watch in new[] { "early", "late" })
        {
            using Scope shift = container.StartScope(DutyShift, Incoming.Value(new Watch(watch)));
            for (int request = 1; request <= 2; request++)
            {
                using Scope scope = shift.StartScope();
                WriteLine(scope.Resolve<BookingDesk>().Serve());
            }
        }

        using Scope outside = container.StartScope();
        WriteLine();
        WriteLine(Caught(() => outside.Resolve<BookingDesk>()));
    }

    private static string Caught(Func<object> work)
    {
        try
        {
            return $"{work()}";
        }
        catch (ResolveException fault)
        {
            return $"{fault.Report.Errors[0]}";
        }
    }

    private sealed record Watch(string Name);

    private sealed class DutyRoster(Watch watch)
    {
        private int _served;

        public string Next() => $"{watch} has served {++_served}";
    }

    private sealed class BookingDesk(DutyRoster roster)
    {
        public string Serve() => roster.Next();
    }
}
