using Junctivor;

namespace Mistakes.Programs;

/// <summary>A ski lift: two interfaces of nearly the same name, and a gate that needs a class which needs another one.</summary>
public static class SkiLift
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        gate 1 noted
        barrier: 3 bars and a spring

        """;

    [CheckedWiring("ski lift")]
    public static Wiring Wiring =>
    [
        Scoped.Of<IGateLog, PaperGateLog>(),
        Scoped.Of<Gate>(),
        Scoped.Of<Barrier>(),
    ];

    public static void Run(TextWriter output)
    {
        using Container container = Wiring.Build();
        using Scope scope = container.StartScope();
        output.WriteLine(scope.Resolve<Gate>().Pass());
        output.WriteLine(scope.Resolve<Barrier>().Describe());
    }

    private interface IGateLog
    {
        string Note(int gate);
    }

    private interface IGateLogs
    {
        string Note(int gate);
    }

    private sealed class PaperGateLog : IGateLog
    {
        public string Note(int gate) => $"gate {gate} noted";
    }

    private sealed class Gate(IGateLogs logs)
    {
        public string Pass() => logs.Note(1);
    }

    private sealed class Spring
    {
        public override string ToString() => "a spring";
    }

    private sealed class Bars(Spring spring)
    {
        public string Text => $"3 bars and {spring}";
    }

    private sealed class Barrier(Bars bars)
    {
        public string Describe() => $"barrier: {bars.Text}";
    }
}
