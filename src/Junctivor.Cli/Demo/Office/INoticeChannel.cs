namespace Junctivor.Cli.Demo.Office;

internal interface INoticeChannel;
