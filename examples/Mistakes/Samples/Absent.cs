using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV505: the desk tells all channels, and there is none.</summary>
public static class Absent
{
    [CheckedWiring("JV505")]
    public static Wiring Wiring =>
    [
        Singleton.Of<NoticeDesk>(),
    ];

    private interface INoticeChannel;

    private sealed class Loudhailer : INoticeChannel;

    private sealed class NoticeDesk(IReadOnlyList<INoticeChannel> channels);
}
