using Harbour.Contracts;

namespace Harbour.Notices;

/// <summary>Tells a notice by every channel: those of the office, and those that plug-ins bring.</summary>
public sealed class NoticeDesk(IReadOnlyList<INoticeChannel> channels)
{
    public IReadOnlyList<string> ChannelNames => [.. channels.Select(channel => channel.Name)];

    /// <summary>The last notice; null before the first.</summary>
    public string? Last { get; private set; }

    public void Tell(string notice)
    {
        Last = notice;
        foreach (INoticeChannel channel in channels)
        {
            channel.Tell(notice);
        }
    }
}
