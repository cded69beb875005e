namespace Junctivor.Cli.Demo.Office;

internal sealed class TariffBook(HarbourSettings settings)
{
    public HarbourSettings Settings => settings;
}
