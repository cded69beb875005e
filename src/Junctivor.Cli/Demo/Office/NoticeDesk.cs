namespace Junctivor.Cli.Demo.Office;

internal sealed record NoticeDesk(IReadOnlyList<INoticeChannel> Channels);
