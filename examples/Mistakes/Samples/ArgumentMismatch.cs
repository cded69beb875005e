using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV106: a constant is passed under a name that no parameter has.</summary>
public static class ArgumentMismatch
{
    [CheckedWiring("JV106")]
    public static Wiring Wiring =>
    [
        Singleton.Of<Crane>().Passing("tonnes", 40),
    ];

    private sealed class Crane(int tons);
}
