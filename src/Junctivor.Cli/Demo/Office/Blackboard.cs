namespace Junctivor.Cli.Demo.Office;

internal sealed class Blackboard : INoticeChannel;
