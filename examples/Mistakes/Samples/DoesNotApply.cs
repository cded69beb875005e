using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV109: a constant is passed to a factory, which takes none.</summary>
public static class DoesNotApply
{
    [CheckedWiring("JV109")]
    public static Wiring Wiring =>
    [
        Singleton.From(() => new Crane(40)).Passing("tons", 60),
    ];

    private sealed class Crane(int tons);
}
