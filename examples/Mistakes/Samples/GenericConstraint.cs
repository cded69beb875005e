using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV206: the archive keeps classes only, and one of numbers is wanted.</summary>
public static class GenericConstraint
{
    [CheckedWiring("JV206")]
    public static Wiring Wiring =>
    [
        Scoped.Of(typeof(IArchive<>), typeof(PaperArchive<>)),
        Scoped.Of<Counter>(),
    ];

    private interface IArchive<T>;

    private sealed class PaperArchive<T> : IArchive<T>
        where T : class;

    private sealed class Counter(IArchive<int> counts);
}
