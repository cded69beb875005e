namespace Junctivor.Cli.Demo.Office;

internal sealed class HarbourRadio(IClock clock) : INoticeChannel
{
    public IClock Clock => clock;
}
