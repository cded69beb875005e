using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV206: the archive keeps entries only, and a tide mark does not say that it is one.</summary>
public static class GenericConstraint
{
    [CheckedWiring("JV206")]
    public static Wiring Wiring =>
    [
        Scoped.Of(typeof(IArchive<>), typeof(PaperArchive<>)),
        Scoped.Of<Counter>(),
    ];

    private interface IEntry;

    private interface IArchive<T>;

    private sealed class PaperArchive<T> : IArchive<T>
        where T : IEntry;

    private sealed record TideMark(decimal Metres);

    private sealed class Counter(IArchive<TideMark> marks);
}
