namespace Junctivor.Cli.Demo.Office;

internal interface INoticeChannel;

internal sealed class Blackboard : INoticeChannel;

internal sealed class HarbourRadio(IClock clock) : INoticeChannel
{
    public IClock Clock => clock;
}

internal sealed record NoticeDesk(IReadOnlyList<INoticeChannel> Channels);
