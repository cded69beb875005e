using Harbour.Contracts;

namespace Harbour.Notices;

/// <summary>The board at the door of the office: the last notice stands on it.</summary>
public sealed class Blackboard : INoticeChannel
{
    public string Name => "blackboard";

    public string? Last { get; private set; }

    public void Tell(string notice) => Last = notice;
}
