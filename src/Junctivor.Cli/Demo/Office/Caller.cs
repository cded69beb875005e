namespace Junctivor.Cli.Demo.Office;

internal sealed record Caller(string Name);
