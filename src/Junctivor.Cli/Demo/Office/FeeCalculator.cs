namespace Junctivor.Cli.Demo.Office;

internal sealed record FeeCalculator(TariffBook Tariffs);
