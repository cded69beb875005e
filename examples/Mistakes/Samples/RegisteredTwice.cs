using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV204: two modules register the same channel, and each notice is told twice.</summary>
public static class RegisteredTwice
{
    [CheckedWiring("JV204")]
    public static Wiring Wiring =>
    [
        .. Office,
        .. Quay,
    ];

    private static Wiring Office => [Singleton.Of<INoticeChannel, Loudhailer>()];

    private static Wiring Quay => [Singleton.Of<INoticeChannel, Loudhailer>()];

    private interface INoticeChannel;

    private sealed class Loudhailer : INoticeChannel;
}
