namespace Junctivor.Cli.Demo.Office;

internal sealed class HarbourClock : IClock;
