namespace Junctivor.Cli.Demo.Office;

internal sealed record HarbourSettings(string Name);
